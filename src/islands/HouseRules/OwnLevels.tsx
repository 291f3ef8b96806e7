import { useState } from 'react';
import type { Level } from '../../core/scheme/model/definitions';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { settingPanel } from '../../contract/settings';
import { Panel } from '../../ui/Panel/Panel';
import styles from './View.module.css';

const USUAL_MINUTES = 60;

/** Levels of the painter's own, by the minutes that a model may take. */
export function OwnLevels({ levels, onChange }: { levels: Level[]; onChange: (levels: Level[]) => void }) {
  const [name, setName] = useState('');
  const [minutes, setMinutes] = useState(USUAL_MINUTES);
  const isNew = name.trim() !== '' && !levels.some((level) => level.name.toLowerCase() === name.trim().toLowerCase());
  const add = (event: React.FormEvent) => {
    event.preventDefault();
    if (!isNew) return;
    onChange([...levels, { name: name.trim(), minutes }]);
    setName('');
  };
  return (
    <Panel {...settingPanel('levels')}>
      {levels.map((level) => (
        <div key={level.name} className={styles.level}>
          <NumberField
            label={`${level.name}, a model`}
            unit="min"
            min={1}
            max={10_000}
            value={level.minutes}
            onChange={(next) => next !== null && onChange(levels.map((each) => (each === level ? { ...each, minutes: next } : each)))}
          />
          <Button kind="quiet" onClick={() => onChange(levels.filter((each) => each !== level))}>
            Remove
          </Button>
        </div>
      ))}
      <form className={styles.level} onSubmit={add}>
        <TextField label="New level" placeholder="Show" value={name} maxLength={60} onChange={setName} />
        <NumberField
          label="Minutes a model"
          unit="min"
          live
          min={1}
          max={10_000}
          value={minutes}
          onChange={(next) => next !== null && setMinutes(next)}
        />
        <Button type="submit" disabled={!isNew}>
          Add level
        </Button>
      </form>
      <p className={styles.learned}>In a scheme each shows what the unit comes to; the bench counts a model against the one chosen.</p>
    </Panel>
  );
}
