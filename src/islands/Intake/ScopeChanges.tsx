import { useState } from 'react';
import type { ScopeChange } from '../../core/views/scope';
import { Button } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { Panel } from '../../ui/Panel/Panel';
import { differenceText, minutesText, momentText, moneyText } from '../../ui/format';
import { send } from '../shared/api';
import styles from './View.module.css';

interface ScopeChangesProps {
  commissionId: string;
  agreedAt: string | null;
  changes: ScopeChange[];
  hourlyRateMinor: number;
  currency: string;
  onChanged: () => void;
}

/** What was agreed, and every change since: its date, what it did to the hours and the price, and why. */
export function ScopeChanges({ commissionId, agreedAt, changes, hourlyRateMinor, currency, onChanged }: ScopeChangesProps) {
  const [error, setError] = useState<string | null>(null);
  const attempt = (act: Promise<unknown>) => void act.then(onChanged, (problem: Error) => setError(problem.message));
  const setAgreed = (agreed: boolean) => attempt(send('PUT', `/api/commissions/${commissionId}/agreed`, { agreed }));
  const money = (minutes: number) => moneyText((minutes / 60) * hourlyRateMinor, currency);
  return (
    <Panel
      title="Scope"
      aside={
        agreedAt === null ? (
          <Button onClick={() => setAgreed(true)}>Scope is agreed with the client</Button>
        ) : (
          <Button kind="quiet" onClick={() => setAgreed(false)}>
            Not agreed after all
          </Button>
        )
      }
    >
      <p className={styles.hint} data-testid="scope">
        {agreedAt === null
          ? 'From the day it is agreed, or the first model is painted, every change is written down with its date and price.'
          : `Agreed ${momentText(Date.parse(agreedAt))}.`}
      </p>
      {changes.length > 0 && (
        <table className={styles.figures} data-testid="scope-changes">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">What</th>
              <th scope="col">Hands-on</th>
              <th scope="col">Price</th>
              <th scope="col">Why, and what was agreed</th>
            </tr>
          </thead>
          <tbody>
            {changes.map((change) => (
              <tr key={change.id}>
                <td>{momentText(Date.parse(change.at))}</td>
                <td>{changeWords(change)}</td>
                <td>
                  {differenceText(change.minutesAfter - change.minutesBefore)}, to {minutesText(change.minutesAfter)}
                </td>
                <td>
                  {change.minutesAfter < change.minutesBefore ? '−' : '+'}
                  {money(Math.abs(change.minutesAfter - change.minutesBefore))}
                </td>
                <td>
                  <Note change={change} onError={setError} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}

const changeWords = ({ unit, subject, before, after }: ScopeChange): string => {
  if (subject === 'unit added') return `${unit} added: ${after} models`;
  if (subject === 'unit removed') return `${unit} removed: ${before} models`;
  return `${unit === '' ? '' : `${unit}, `}${subject}: ${before} → ${after}`;
};

function Note({ change, onError }: { change: ScopeChange; onError: (message: string | null) => void }) {
  const [note, setNote] = useState(change.note);
  const store = () => {
    if (note === change.note) return;
    send('PUT', `/api/scope-changes/${change.id}`, { note }).then(
      () => onError(null),
      (problem: Error) => onError(problem.message),
    );
  };
  return (
    <TextField
      label={`Why: ${changeWords(change)}`}
      hideLabel
      placeholder="Asked by mail, agreed at the same rate"
      value={note}
      maxLength={4000}
      onChange={setNote}
      onBlur={store}
      onKeyDown={(event) => event.key === 'Enter' && store()}
    />
  );
}
