import { useRef, useState } from 'react';
import { expectedOf } from '../../../core/scheme/model/definitions';
import { allModels } from '../../../core/scheme/model/whoTakes';
import type { IntakeUnit } from '../../../contract/commission';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { SelectField } from '../../../ui/Field/Field';
import { counted } from '../../../ui/format';
import { send } from '../../client/api';
import styles from './units.module.css';

interface MoveModelsProps {
  units: IntakeUnit[];
  /** Stores what is typed and not stored yet. */
  onBefore: () => Promise<unknown>;
}

/** Those that the box holds beyond what was promised: the last ones. */
const surplusOf = (unit: IntakeUnit): number[] => allModels(unit).slice(expectedOf(unit));

/** Models of one unit that are painted as models of another one, with what is on them that both units have. */
export function MoveModels({ units, onBefore }: MoveModelsProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const [chosen, setChosen] = useState<number[]>([]);
  const [error, setError] = useState<string | null>(null);
  if (units.length < 2) return null;
  const source = units.find(({ id }) => id === from) ?? units.find((unit) => surplusOf(unit).length > 0) ?? units[0]!;
  const others = units.filter(({ id }) => id !== source.id);
  const target = others.find(({ id }) => id === to) ?? others[0]!;
  const open = () => {
    setError(null);
    setChosen(surplusOf(source));
    dialog.current?.showModal();
  };
  const leave = (id: string) => {
    setFrom(id);
    setChosen(surplusOf(units.find((unit) => unit.id === id)!));
  };
  const move = async () => {
    await onBefore();
    await send('POST', `/api/units/${source.id}/move`, { to: target.id, models: chosen });
    window.location.reload();
  };
  const toggle = (model: number) =>
    setChosen((all) => (all.includes(model) ? all.filter((each) => each !== model) : [...all, model].sort((a, b) => a - b)));
  const options = (of: IntakeUnit[]) => of.map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <Button onClick={open}>Move models to another unit</Button>
      <Dialog
        ref={dialog}
        title="Move models to another unit"
        tools={
          <>
            {chosen.length > 0 && (
              <Button kind="main" onClick={() => void move().catch((problem: Error) => setError(problem.message))}>
                Move {counted(chosen.length, 'model')} to {target.name}
              </Button>
            )}
            <Button onClick={() => dialog.current?.close()}>Cancel</Button>
          </>
        }
      >
        <p>They keep what is painted on them that both units have: the same work with the same paint. Both counts follow.</p>
        <SelectField label="From" value={source.id} options={options(units)} onChange={leave} />
        <fieldset className={styles.gone}>
          <legend>Which models?</legend>
          {allModels(source).map((model) => (
            <button
              key={model}
              type="button"
              className={styles.movedModel}
              aria-pressed={chosen.includes(model)}
              aria-label={`model ${model}`}
              onClick={() => toggle(model)}
            >
              {model}
            </button>
          ))}
        </fieldset>
        <SelectField label="To" value={target.id} options={options(others)} onChange={setTo} />
        {error && <p role="alert">{error}</p>}
      </Dialog>
    </>
  );
}
