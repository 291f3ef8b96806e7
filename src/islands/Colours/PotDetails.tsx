import type { BoardRow } from '../../core/paint/colourBoard';
import type { OpenPotUse } from '../../core/bench/guide/openPot';
import { labelOf } from '../../core/scheme/model/techniques';
import type { BoardUnit } from '../../contract/colours';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, minutesText } from '../../ui/format';
import { OpenPot } from '../shared/OpenPot';
import { usePicture } from '../client/usePicture';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

interface PotDetailsProps {
  row: BoardRow;
  units: readonly BoardUnit[];
  opened: { together: number; apart: number } | null;
}

/** One paint: which parts of which units take it and how, and what could take it now. */
export function PotDetails({ row, units, opened }: PotDetailsProps) {
  const { picture: uses } = usePicture<OpenPotUse[]>(`/api/colours/open?pot=${encodeURIComponent(row.paint.id)}`);
  return (
    <Panel title={row.paint.name} scrolls className={styles.details} aside={<Swatch hex={row.paint.hex} kind={row.paint.kind} />}>
      <p className={styles.potSummary} data-testid="pot-summary">
        {row.isMix ? 'A mix' : row.paint.kind}, {counted(row.cells.length, 'unit')}:{' '}
        {row.left === 0 ? 'all painted' : `${counted(row.left, 'step')} left, ${minutesText(row.minutes)}`}
        {opened && `; opened ${counted(opened.together, 'time')} when all is painted together, ${opened.apart} unit by unit`}.
      </p>
      <h3>While this pot is open</h3>
      {uses === undefined ? (
        <p role="status">
          <Working label="Looking …" />
        </p>
      ) : (
        <OpenPot uses={uses} />
      )}
      <h3>Where it goes</h3>
      <ul className={styles.uses}>
        {row.cells.map((cell) => (
          <li key={cell.unitId}>
            <strong>{units.find((unit) => unit.id === cell.unitId)!.name}</strong>
            <ul>
              {cell.uses.map((use) => (
                <li key={`${use.passKey} ${use.models}`}>
                  {use.part ?? 'Over everything'}, {labelOf(use).toLowerCase()}
                  {use.coats > 1 && ` (coat ${use.coat} of ${use.coats})`}:{' '}
                  {use.done === use.models
                    ? `${counted(use.models, 'model')} done`
                    : `${use.done} of ${use.models} done, ${minutesText(use.minutes)} left`}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
