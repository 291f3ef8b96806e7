import { useRef, useState } from 'react';
import type { EarlierCommission } from '../../../contract/commission';
import { Button } from '../../../ui/Button/Button';
import { Dialog } from '../../../ui/Dialog/Dialog';
import { counted } from '../../../ui/format';
import { send } from '../../client/api';
import styles from './units.module.css';

interface EarlierUnitsProps {
  commissionId: string;
  /** Stores what is typed and not stored yet. */
  onBefore: () => Promise<unknown>;
}

/** Units of an earlier commission once more: their names, numbers and schemes. */
export function EarlierUnits({ commissionId, onBefore }: EarlierUnitsProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [commissions, setCommissions] = useState<EarlierCommission[] | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const [error, setError] = useState<string | null>(null);
  const url = `/api/commissions/${commissionId}/units`;
  const open = () => {
    dialog.current?.showModal();
    send<EarlierCommission[]>('GET', url).then(setCommissions, (problem: Error) => setError(problem.message));
  };
  const copy = async () => {
    await onBefore();
    await send('POST', url, { unitIds: chosen });
    window.location.reload();
  };
  const toggle = (id: string) => setChosen((all) => (all.includes(id) ? all.filter((each) => each !== id) : [...all, id]));
  return (
    <>
      <Button onClick={open}>Units from an earlier commission</Button>
      <Dialog
        ref={dialog}
        title="Units painted before"
        tools={
          <>
            {chosen.length > 0 && (
              <Button kind="main" onClick={() => void copy().catch((problem: Error) => setError(problem.message))}>
                Copy {counted(chosen.length, 'unit')}
              </Button>
            )}
            <Button onClick={() => dialog.current?.close()}>Cancel</Button>
          </>
        }
      >
        {commissions?.length === 0 && <p>There is no other commission yet.</p>}
        {commissions?.map((commission) => (
          <fieldset key={commission.id} className={styles.earlier}>
            <legend>{commission.name}</legend>
            {commission.units.map((unit) => (
              <label key={unit.id}>
                <input type="checkbox" checked={chosen.includes(unit.id)} onChange={() => toggle(unit.id)} /> {unit.name},{' '}
                {counted(unit.models, 'model')}
              </label>
            ))}
          </fieldset>
        ))}
        {error && <p role="alert">{error}</p>}
      </Dialog>
    </>
  );
}
