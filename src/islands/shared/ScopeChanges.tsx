import { useState } from 'react';
import type { Rate } from '../../core/money/definitions';
import { scopeMinutes, scopePrice } from '../../core/money/payOf';
import { scopeWords } from '../../core/money/statement';
import type { ScopeChange } from '../../core/commission/scope';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { Panel } from '../../ui/Panel/Panel';
import { differenceText, momentText, moneyDifferenceText } from '../../ui/format';
import { send } from '../client/api';
import { MoneyField } from './MoneyField';
import { useAttempt } from '../client/useAttempt';
import { SortHead } from './sort/SortHead';
import { useSorted } from './sort/useSorted';
import { Wide } from '../../ui/Wide/Wide';
import styles from './ScopeChanges.module.css';

interface ScopeChangesProps {
  commissionId: string;
  agreedAt: string | null;
  changes: ScopeChange[];
  rate: Rate;
  onChanged: () => void;
}

/** What was agreed, and every change since: its date, what it did to the hours, what was agreed for it, and why. */
export function ScopeChanges({ commissionId, agreedAt, changes, rate, onChanged }: ScopeChangesProps) {
  const { error, attempt } = useAttempt(onChanged);
  const { rows, sorting } = useSorted(changes, {
    at: (change) => change.at,
    what: scopeWords,
    minutes: scopeMinutes,
    price: (change) => change.priceMinor,
  });
  const setAgreed = (agreed: boolean) => attempt(send('PUT', `/api/commissions/${commissionId}/agreed`, { agreed }));
  return (
    <Panel
      title="Scope"
      aside={
        agreedAt === null ? (
          <Button onClick={() => setAgreed(true)}>Scope is agreed with the client</Button>
        ) : (
          <Button kind="quiet" onClick={() => setAgreed(false)}>
            Undo agreement
          </Button>
        )
      }
    >
      <p className={styles.hint} data-testid="scope">
        {agreedAt === null
          ? 'From the day it is agreed, or the first model is painted, every change is written down with its date and price.'
          : `Agreed ${momentText(Date.parse(agreedAt))}. Every change since is written down; say what was agreed for it, or 0 where it is free.`}
      </p>
      {changes.length > 0 && (
        <Wide>
          <table className={styles.changes} data-testid="scope-changes">
            <thead>
              <tr>
                <SortHead sorting={sorting} by="at">
                  When
                </SortHead>
                <SortHead sorting={sorting} by="what">
                  What
                </SortHead>
                <SortHead sorting={sorting} by="minutes">
                  Hands-on
                </SortHead>
                <th scope="col">At your rate</th>
                <SortHead sorting={sorting} by="price">
                  Agreed price
                </SortHead>
                <th scope="col">Why, and what was agreed</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((change) => (
                <Change key={change.id} change={change} rate={rate} onAct={attempt} />
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      <NewExtra commissionId={commissionId} currency={rate.currency} onAct={attempt} />
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}

interface ChangeProps {
  change: ScopeChange;
  rate: Rate;
  onAct: (act: Promise<unknown>) => void;
}

function Change({ change, rate, onAct }: ChangeProps) {
  const [note, setNote] = useState(change.note);
  const [priceMinor, setPrice] = useState(change.priceMinor);
  const store = (said: Pick<ScopeChange, 'note' | 'priceMinor'>) => {
    if (said.note !== change.note || said.priceMinor !== change.priceMinor) onAct(send('PUT', `/api/scope-changes/${change.id}`, said));
  };
  const words = scopeWords(change);
  return (
    <tr>
      <td>{momentText(Date.parse(change.at))}</td>
      <td>
        {words}
        {change.subject === 'extra' && (
          <Button
            kind="quiet"
            aria-label={`Remove ${words}`}
            onClick={() => onAct(send('PUT', `/api/scope-changes/${change.id}/removed`, {}))}
          >
            Remove
          </Button>
        )}
      </td>
      <td>{differenceText(scopeMinutes(change))}</td>
      <td>{moneyDifferenceText(scopePrice(change, rate), rate.currency)}</td>
      <td>
        <MoneyField
          label={`Agreed price: ${words}`}
          hideLabel
          currency={rate.currency}
          valueMinor={priceMinor}
          min={-10_000_000}
          optional
          placeholder="not said"
          onChange={(minor) => {
            setPrice(minor);
            store({ note, priceMinor: minor });
          }}
        />
      </td>
      <td>
        <TextField
          label={`Why: ${words}`}
          hideLabel
          placeholder="Asked by mail, agreed at the same rate"
          value={note}
          maxLength={4000}
          onChange={setNote}
          onBlur={() => store({ note, priceMinor })}
          onKeyDown={(event) => event.key === 'Enter' && store({ note, priceMinor })}
        />
      </td>
    </tr>
  );
}

/** Something added or given that no count tells of. */
function NewExtra({ commissionId, currency, onAct }: { commissionId: string; currency: string; onAct: ChangeProps['onAct'] }) {
  const [isOpen, setOpen] = useState(false);
  const [what, setWhat] = useState('');
  const [minutes, setMinutes] = useState<number | null>(null);
  const [priceMinor, setPrice] = useState<number | null>(null);
  if (!isOpen)
    return (
      <Button kind="quiet" className={styles.add} onClick={() => setOpen(true)}>
        Add an extra
      </Button>
    );
  const add = () => {
    onAct(
      send('POST', `/api/commissions/${commissionId}/extras`, { what, minutes: minutes ?? 0, priceMinor, note: '' }).then(() => {
        setOpen(false);
        setWhat('');
        setMinutes(null);
        setPrice(null);
      }),
    );
  };
  return (
    <div className={styles.extra}>
      <TextField label="What was added" placeholder="Name plates on all bases" value={what} maxLength={200} onChange={setWhat} autoFocus />
      <NumberField live label="Minutes it takes" unit="min" value={minutes} min={0} max={100_000} optional onChange={setMinutes} />
      <MoneyField
        live
        label="Agreed price, 0 where it is free"
        currency={currency}
        valueMinor={priceMinor}
        min={-10_000_000}
        optional
        placeholder="not said"
        onChange={setPrice}
      />
      <Button disabled={what.trim() === ''} onClick={add}>
        Write it down
      </Button>
      <Button kind="quiet" onClick={() => setOpen(false)}>
        Cancel
      </Button>
    </div>
  );
}
