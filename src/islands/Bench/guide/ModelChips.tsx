import { Button } from '../../../ui/Button/Button';
import styles from './ModelChips.module.css';

interface ModelChipsProps {
  label: string;
  models: readonly number[];
  chosen: ReadonlySet<number>;
  onChange: (chosen: ReadonlySet<number>) => void;
}

/** With the model, or without it where it was among them. */
export function toggled(chosen: ReadonlySet<number>, model: number): ReadonlySet<number> {
  const next = new Set(chosen);
  if (!next.delete(model)) next.add(model);
  return next;
}

/** Models to choose several of, by tap or key. */
export function ModelChips({ label, models, chosen, onChange }: ModelChipsProps) {
  const all = models.every((model) => chosen.has(model));
  return (
    <fieldset className={styles.chips}>
      <legend>{label}</legend>
      {models.map((model) => (
        <button
          key={model}
          type="button"
          className={styles.chip}
          aria-pressed={chosen.has(model)}
          aria-label={`model ${model}`}
          onClick={() => onChange(toggled(chosen, model))}
        >
          {model}
        </button>
      ))}
      <Button kind="quiet" onClick={() => onChange(new Set(all ? [] : models))}>
        {all ? 'None' : 'All'}
      </Button>
    </fieldset>
  );
}
