import { surfaceOf } from '../../../core/scheme/model/field';
import { mapOver, type Over, type Part, type Step } from '../../../core/scheme/model/definitions';
import { SelectField } from '../../../ui/Field/Field';
import styles from './step.module.css';

const WAYS = {
  everything: 'everything',
  without: 'everything but the parts ticked',
  only: 'only the parts ticked',
} as const;
type Way = keyof typeof WAYS;

interface LaidOnProps {
  step: Step;
  parts: readonly Part[];
  onChange: (change: Partial<Step>) => void;
}

/** Which parts a step over several is laid on. It is one step all the same: one leg, one tap a model. */
export function LaidOn({ step, parts, onChange }: LaidOnProps) {
  const { over } = step;
  const way: Way = !over ? 'everything' : 'only' in over ? 'only' : 'without';
  const ticked = over ? ('only' in over ? over.only : over.without) : [];
  const take = (next: Over | undefined) => onChange({ over: next, coverage: next ? surfaceOf({ ...step, over: next }, parts) : 1 });
  const choose = (chosen: string) => {
    const others = parts.filter(({ isBase, id }) => !isBase && !ticked.includes(id)).map(({ id }) => id);
    if (chosen === 'everything') return take(undefined);
    if (chosen === way) return;
    // The same parts, said the other way round; from everything, the first part alone or all but it.
    if (way === 'everything') return take(chosen === 'only' ? { only: others } : { without: parts.slice(0, 1).map(({ id }) => id) });
    take(chosen === 'only' ? { only: others } : { without: others });
  };
  const toggle = (id: string) => {
    if (!over) return;
    const next = mapOver(over, (ids) => (ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id]));
    // A step on no part at all is none.
    if (!('only' in next) || next.only.length > 0) take(next);
  };
  return (
    <fieldset className={styles.laidOn}>
      <SelectField
        label="Laid on"
        value={way}
        options={(Object.keys(WAYS) as Way[]).map((value) => ({ value, label: WAYS[value] }))}
        onChange={choose}
      />
      {over && (
        <div className={styles.ticks} role="group" aria-label={way === 'only' ? 'Laid on these parts' : 'Not on these parts'}>
          {parts.map((part) => (
            <label key={part.id}>
              <input type="checkbox" checked={ticked.includes(part.id)} onChange={() => toggle(part.id)} /> {part.name}
            </label>
          ))}
        </div>
      )}
    </fieldset>
  );
}
