import { useState } from 'react';
import type { Undone } from '../../../core/commission/undone';
import type { StoredCommission } from '../../../core/commission/definitions';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { send } from '../../client/api';
import { UndoneList } from '../../shared/UndoneList';
import { saveFile } from '../../client/saveFile';
import styles from './commission.module.css';

/** What is done with a commission as a whole: saved, copied as the start of a like order, handed over, deleted. */
export function CommissionActions({ commission }: { commission: StoredCommission }) {
  const { id, name } = commission;
  const [asking, setAsking] = useState<'duplicate' | 'close' | 'delete' | null>(null);
  const [copyName, setCopyName] = useState(`${name}, again`);
  const [dueOn, setDueOn] = useState(commission.dueOn);
  const [undone, setUndone] = useState<Undone[]>([]);
  const [error, setError] = useState<string | null>(null);
  const attempt = (act: () => Promise<void>) => () => void act().catch((problem: Error) => setError(problem.message));

  const duplicate = attempt(async () => {
    const made = await send<{ id: string }>('POST', `/api/commissions/${id}/duplicate`, { name: copyName, dueOn });
    window.location.assign(`/c/${made.id}/intake`);
  });
  const askToClose = attempt(async () => {
    // As it is now: somebody may have painted since the page was opened.
    setUndone(await send<Undone[]>('GET', `/api/commissions/${id}/undone`));
    setAsking('close');
  });
  const close = attempt(async () => {
    await send('PUT', `/api/commissions/${id}/closed`, { closed: true });
    window.location.assign('/');
  });
  const remove = attempt(async () => {
    // The file first: nothing is deleted that is not also saved.
    const file = await fetch(`/api/commissions/${id}/file`);
    if (!file.ok) throw new Error('The file could not be saved, so nothing was deleted: try again.');
    saveFile(await file.blob(), `${name}.commission.json`);
    await send('PUT', `/api/commissions/${id}/deleted`, { deleted: true });
    window.location.assign(`/?deleted=${encodeURIComponent(id)}`);
  });

  return (
    <div className={styles.whole}>
      {asking === null && (
        <span className={styles.wholeButtons}>
          <a href={`/api/commissions/${id}/file`}>Save as a file</a>
          <Button kind="quiet" onClick={() => setAsking('duplicate')}>
            Duplicate
          </Button>
          <Button kind="quiet" onClick={askToClose}>
            Mark as delivered
          </Button>
          <Button kind="quiet" onClick={() => setAsking('delete')}>
            Delete
          </Button>
        </span>
      )}
      {asking === 'duplicate' && (
        <span className={styles.wholeAsk}>
          <TextField label="Name of the copy" value={copyName} onChange={setCopyName} maxLength={200} />
          <TextField label="Due on" type="date" value={dueOn} onChange={setDueOn} />
          <Button onClick={() => setAsking(null)}>Cancel</Button>
          <Button onClick={duplicate}>Make a like order</Button>
        </span>
      )}
      {asking === 'close' && (
        <div className={styles.wholeAsk} role="group" aria-label={`Deliver ${name}`}>
          {undone.length > 0 && (
            <div>
              <strong>Not done yet:</strong>
              <UndoneList undone={undone} commissionId={id} />
            </div>
          )}
          <span>
            It leaves Today and stays in the Ledger, where it can be opened again.
            {undone.length > 0 && ' Money and the statement will say what was not done.'}
          </span>
          <Button autoFocus onClick={() => setAsking(null)}>
            Cancel
          </Button>
          <Button onClick={close}>{undone.length === 0 ? `Deliver ${name}` : `Deliver ${name} anyway`}</Button>
        </div>
      )}
      {asking === 'delete' && (
        <span className={styles.wholeAsk}>
          It is saved as a file first. Its times stay in the log.
          <Button autoFocus onClick={() => setAsking(null)}>
            Cancel
          </Button>
          <Button onClick={remove}>Save and delete {name}</Button>
        </span>
      )}
      {error && <span role="alert">{error}</span>}
    </div>
  );
}
