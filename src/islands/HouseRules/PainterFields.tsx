import type { Painter } from '../../core/scheme/model/houseRules';
import { TextField } from '../../ui/Field/Field';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import styles from './View.module.css';

/** Who signs what goes to clients. */
export function PainterFields({ painter, onChange }: { painter: Painter; onChange: (painter: Painter) => void }) {
  return (
    <Panel {...settingPanel('letters')}>
      <TextField label="Your name" value={painter.name} maxLength={200} onChange={(name) => onChange({ ...painter, name })} />
      <label className={styles.address}>
        Your address
        <textarea
          rows={3}
          maxLength={1000}
          value={painter.address}
          onChange={(event) => onChange({ ...painter, address: event.target.value })}
        />
      </label>
    </Panel>
  );
}
