import type { GoneModel } from '../../../core/scheme/model/definitions';
import { allModels } from '../../../core/scheme/model/whoTakes';
import type { IntakeUnit } from '../../../contract/commission';
import { counted } from '../../../ui/format';
import styles from './units.module.css';

/** A group or an option of a variant, and its models. */
export interface WhoIsWho {
  name: string;
  models: number[];
}

interface WhoIsGoneProps {
  unit: IntakeUnit;
  who: readonly WhoIsWho[];
  /** Called with the numbers of those that are gone: as many as before. */
  onChange: (gone: number[]) => void;
}

/** The server remembers what a model was. */
export const notThere = (model: number): GoneModel => ({ model, in: [] });

/** Asks which models are not there: another one that is pressed takes the place of the one that was named longest ago. */
export function WhoIsGone({ unit, who, onChange }: WhoIsGoneProps) {
  const gone = unit.gone.map(({ model }) => model);
  const known = [...allModels(unit), ...gone].sort((a, b) => a - b);
  const nameOf = (model: number) => who.flatMap(({ name, models }) => (models.includes(model) ? [name] : [])).join(', ');
  return (
    <fieldset className={styles.gone} data-testid="gone">
      <legend>
        {unit.name}: {counted(gone.length, 'model')} not there. Which {gone.length === 1 ? 'one' : 'ones'}?
      </legend>
      {known.map((model) => (
        <button
          key={model}
          type="button"
          className={styles.goneModel}
          aria-pressed={gone.includes(model)}
          onClick={() => !gone.includes(model) && onChange([...gone.slice(1), model])}
        >
          {model}
          {nameOf(model) !== '' && <small>{nameOf(model)}</small>}
        </button>
      ))}
    </fieldset>
  );
}
