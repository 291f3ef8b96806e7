import { useState } from 'react';
import type { ClosedCommission } from '../../contract/log';
import { Button, LinkButton } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { Panel } from '../../ui/Panel/Panel';
import { counted, dayOfText, minutesText } from '../../ui/format';
import { send } from '../client/api';
import styles from './View.module.css';

const WORTH_FINDING = 8;
const MOST_SHOWN = 30;

/** Commissions that were handed over; they can be found and opened again. */
export function Closed({ closed }: { closed: readonly ClosedCommission[] }) {
  const [sought, setSought] = useState('');
  const [error, setError] = useState<string | null>(null);
  const reopen = (id: string) =>
    send('PUT', `/api/commissions/${id}/closed`, { closed: false }).then(
      () => window.location.assign(`/c/${id}/intake`),
      (problem: Error) => setError(problem.message),
    );
  const found = closed.filter(({ name, client }) => `${name} ${client}`.toLowerCase().includes(sought.trim().toLowerCase()));
  return (
    <Panel
      title="Delivered"
      aside={
        closed.length >= WORTH_FINDING && (
          <TextField label="Find a commission" hideLabel placeholder="Find" type="search" value={sought} onChange={setSought} />
        )
      }
    >
      <div id="closed" className={styles.closed}>
        {error && <p role="alert">{error}</p>}
        {closed.length === 0 && <p>Nothing is delivered yet.</p>}
        <ul>
          {found.slice(0, MOST_SHOWN).map((commission) => (
            <li key={commission.id}>
              <span>
                <strong>{commission.name}</strong>, {commission.client}
                <small className={styles.note}>
                  {dayOfText(Date.parse(commission.closedAt))}, {minutesText(commission.minutes)} hands-on,{' '}
                  {counted(commission.models, 'model-step')}
                </small>
              </span>
              <LinkButton kind="quiet" href={`/c/${commission.id}/money`} aria-label={`What ${commission.name} paid`}>
                What it paid
              </LinkButton>
              <LinkButton kind="quiet" href={`/c/${commission.id}/finish`} aria-label={`Papers and repairs of ${commission.name}`}>
                Papers and repairs
              </LinkButton>
              <Button kind="quiet" onClick={() => void reopen(commission.id)}>
                Open again
              </Button>
            </li>
          ))}
        </ul>
        {found.length > MOST_SHOWN && <p>and {found.length - MOST_SHOWN} more: find them by name.</p>}
      </div>
    </Panel>
  );
}
