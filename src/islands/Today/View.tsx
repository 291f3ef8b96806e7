import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { useState } from 'react';
import { mlWords } from '../../core/paint/amountWords';
import type { Today } from '../../contract/today';
import { Button, LinkButton } from '../../ui/Button/Button';
import { TextField } from '../../ui/Field/Field';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, minutesText, momentText, timeOfDayText } from '../../ui/format';
import { Opened } from '../shared/Opened';
import { SessionsAsked } from '../shared/SessionsAsked';
import { ClockCorrections } from '../shared/ClockCorrections';
import { send } from '../client/api';
import { useNow } from '../shared/useNow';
import { CommissionRow } from './CommissionRow';
import { DemoNote, useDemo } from './DemoNote';
import { ImportCommission } from './ImportCommission';
import { LastSession } from './LastSession';
import { Ready } from './Ready';
import { TakeUp } from './TakeUp';
import { Tonight } from './Tonight';
import { Waiting } from './Waiting';
import styles from './View.module.css';

interface TodayProps {
  today: Today;
  /** A commission that was deleted just now, and can come back. */
  deleted: { id: string; name: string } | null;
}

const TICK_MS = 15_000;
/** With fewer, one sees at a glance where each is. */
const WORTH_FINDING = 5;
const SESSIONS_SHOWN = 4;

export function TodayView({ first, deleted }: { first: Today | null; deleted: TodayProps['deleted'] }) {
  return (
    <Opened<Today> first={first} url="/api/today" what="today’s work">
      {(today) => <OpenedToday today={today} deleted={deleted} />}
    </Opened>
  );
}

function OpenedToday({ today, deleted }: TodayProps) {
  const now = useNow(today.now, TICK_MS);
  const [sought, setSought] = useState('');
  if (today.commissions.length === 0) return <Nothing closed={today.closed} deleted={deleted} />;
  const drying = today.commissions.flatMap(({ drying: rows, commission }) =>
    rows.filter((row) => row.lastDryAt > now).map((row) => ({ ...row, commission: commission.name })),
  );
  const shown = today.commissions.filter(({ commission }) =>
    `${commission.name} ${commission.client}`.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  return (
    <div className={styles.view}>
      <div className={styles.main}>
        {deleted && <Deleted {...deleted} />}
        {today.bench === null && <SessionsAsked sessions={today.askedSessions} />}
        <ClockCorrections corrections={today.corrections} />
        {today.lastSession && <LastSession last={today.lastSession} />}
        <TakeUp today={today} now={now} />
        <Panel
          title="Commissions, by date"
          aside={
            <span className={styles.actions}>
              {today.commissions.length >= WORTH_FINDING && (
                <TextField label="Find a commission" hideLabel placeholder="Find" type="search" value={sought} onChange={setSought} />
              )}
              <ImportCommission />
              <LinkButton href="/new">New commission</LinkButton>
            </span>
          }
        >
          <ul className={styles.rows}>
            {shown.map((entry) => (
              <CommissionRow key={entry.commission.id} entry={entry} now={now} />
            ))}
          </ul>
          {shown.length === 0 && <p>No open commission is called “{sought}”.</p>}
          {today.closed > 0 && (
            <p>
              <a href="/ledger#closed">{counted(today.closed, 'closed commission')} in the Ledger</a>
            </p>
          )}
        </Panel>
        {today.tonight && <Tonight tonight={today.tonight} paints={today.paints} now={now} />}
      </div>
      <div className={styles.side}>
        <Panel title="Drying now">
          {drying.length === 0 && <p>Nothing is wet.</p>}
          <ul className={styles.list}>
            {drying.map((row) => (
              <li key={`${row.commission} ${row.unitName} ${row.what} ${row.lastDryAt}`} className={styles.drying}>
                <span className={styles.hatch} aria-hidden="true" />
                <span>
                  {row.unitName}, {row.what.toLowerCase()}: {counted(row.models, 'model')}
                  <small>all dry in {minutesText(Math.max(1, (row.lastDryAt - now) / MINUTE_MS))}</small>
                </span>
              </li>
            ))}
          </ul>
        </Panel>
        <Waiting today={today} />
        <Ready progress={today.progress} />
        <ShortPaints paints={today.shortPaints} />
        <Panel title="Sessions in the next week" aside={<a href="/house-rules">Change</a>}>
          {today.sessions.length === 0 && <p>No sessions are set, so no date can be promised.</p>}
          <ul className={styles.list}>
            {today.sessions.slice(0, SESSIONS_SHOWN).map((session) => (
              <li key={session.from} className={styles.session}>
                <span>
                  {momentText(session.from)} to {timeOfDayText(session.to)}
                </span>
                <span>{minutesText((session.to - session.from) / MINUTE_MS)}</span>
              </li>
            ))}
          </ul>
        </Panel>
        {today.isDemo && <DemoNote />}
      </div>
    </div>
  );
}

/** Said before the first model is painted with it: what is short can still be bought, or another chosen. */
function ShortPaints({ paints }: { paints: Today['shortPaints'] }) {
  if (paints.length === 0) return null;
  return (
    <Panel title="Paint running out" aside={<a href="/shelf">Shelf</a>}>
      <ul className={styles.list} data-testid="short-paints">
        {paints.map(({ id, name, hex, kind, missingMl, discontinued }) => (
          <li key={id} className={styles.drying}>
            <Swatch hex={hex} kind={kind} />
            <span>
              {name}
              <small>
                {mlWords(missingMl)} short of the open work{discontinued && '; it cannot be bought any more'}
              </small>
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** A commission that was deleted comes back by one press. */
function Deleted({ id, name }: { id: string; name: string }) {
  const [error, setError] = useState<string | null>(null);
  const undo = () =>
    send('PUT', `/api/commissions/${id}/deleted`, { deleted: false }).then(
      () => window.location.assign('/'),
      (problem: Error) => setError(problem.message),
    );
  return (
    <Notice>
      {name} was deleted; its file was saved first. {error}
      <Button onClick={() => void undo()}>Undo</Button>
    </Notice>
  );
}

function Nothing({ closed, deleted }: { closed: number; deleted: TodayProps['deleted'] }) {
  const demo = useDemo(true);
  return (
    <div className={styles.nothing}>
      {deleted && <Deleted {...deleted} />}
      <Notice>
        <p>No commission is open. Open the box, count what came in it, and enter it: name, client, date, and the units.</p>
      </Notice>
      <span className={styles.actions}>
        <LinkButton kind="main" href="/new">
          Enter a commission
        </LinkButton>
        <ImportCommission />
        {closed > 0 ? (
          <a href="/ledger#closed">{counted(closed, 'closed commission')} in the Ledger</a>
        ) : (
          <Button onClick={demo.set}>Look at the demo first</Button>
        )}
      </span>
      {demo.error && (
        <Notice kind="flag" role="alert">
          {demo.error}
        </Notice>
      )}
    </div>
  );
}
