import { Button } from '../../../ui/Button/Button';
import styles from '../View.module.css';

interface ModelChipsProps {
  label: string;
  models: readonly number[];
  chosen: ReadonlySet<number>;
  onChange: (chosen: ReadonlySet<number>) => void;
}

/** Models to choose several of, by tap or key. */
export function ModelChips({ label, models, chosen, onChange }: ModelChipsProps) {
  const all = models.every((model) => chosen.has(model));
  const toggle = (model: number) => {
    const next = new Set(chosen);
    if (!next.delete(model)) next.add(model);
    onChange(next);
  };
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
          onClick={() => toggle(model)}
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
