import type { Today, TodayCommission } from '../../core/views/today';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { counted, minutesText, momentText, percentText, timeOfDayText } from '../../ui/format';
import { useNow } from '../shared/useNow';
import { CommissionRow } from './CommissionRow';
import { ImportCommission } from './ImportCommission';
import styles from './View.module.css';

interface TodayViewProps {
  today: Today;
  now: number;
}

const TICK_MS = 15_000;
const MINUTE_MS = 60_000;

export function TodayView({ today, now: start }: TodayViewProps) {
  const now = useNow(start, TICK_MS);
  if (today.commissions.length === 0) return <Nothing />;
  const next = nextToTakeUp(today.commissions);
  const drying = today.commissions.flatMap(({ drying: rows, commission }) =>
    rows.filter((row) => row.lastDryAt > now).map((row) => ({ ...row, commission: commission.name })),
  );
  const waiting = today.commissions.filter(
    (entry) => entry.waitingTestModels.length + entry.openCounts.length + entry.unitsWithoutScheme.length > 0,
  );
  return (
    <div className={styles.view}>
      <div className={styles.main}>
        {next && <TakeUp entry={next} now={now} />}
        <Panel
          title="Commissions, by date"
          aside={
            <span className={styles.actions}>
              <ImportCommission />
              <LinkButton href="/new">New commission</LinkButton>
            </span>
          }
        >
          <ul className={styles.rows}>
            {today.commissions.map((entry) => (
              <CommissionRow key={entry.commission.id} entry={entry} now={now} />
            ))}
          </ul>
        </Panel>
      </div>
      <div className={styles.side}>
        <Panel title="Drying now">
          {drying.length === 0 && <p>Nothing is wet.</p>}
          <ul className={styles.list}>
            {drying.map((row) => (
              <li key={`${row.commission} ${row.unitName} ${row.what} ${row.firstDryAt}`} className={styles.drying}>
                <span className={styles.hatch} aria-hidden="true" />
                <span>
                  {row.unitName}, {row.what.toLowerCase()}: {counted(row.models, 'model')}
                  <small>all dry in {minutesText(Math.max(1, (row.lastDryAt - now) / MINUTE_MS))}</small>
                </span>
              </li>
            ))}
          </ul>
        </Panel>
        <Panel title="What waits">
          {waiting.length === 0 && <p>Nobody has to be asked anything.</p>}
          <ul className={styles.list}>
            {waiting.map((entry) => (
              <Waits key={entry.commission.id} entry={entry} />
            ))}
          </ul>
        </Panel>
        <Panel title="Sessions in the next week" aside={<a href="/house-rules">Change</a>}>
          {today.sessions.length === 0 && <p>No sessions are set, so no date can be promised.</p>}
          <ul className={styles.list}>
            {today.sessions.slice(0, 6).map((session) => (
              <li key={session.from} className={styles.session}>
                <span>
                  {momentText(session.from)} to {timeOfDayText(session.to)}
                </span>
                <span>{minutesText((session.to - session.from) / MINUTE_MS)}</span>
              </li>
            ))}
          </ul>
        </Panel>
      </div>
    </div>
  );
}

/** The commission whose line lies at the bench and was worked on last, else the one due first that can be painted. */
function nextToTakeUp(entries: TodayCommission[]): TodayCommission | null {
  const open = entries.filter((entry) => entry.estimate.likelyMinutes > 0);
  const laidOut = open.filter((entry) => entry.hasOpenRun).sort((a, b) => (b.lastWorkedAt ?? 0) - (a.lastWorkedAt ?? 0));
  return laidOut[0] ?? open[0] ?? null;
}

function TakeUp({ entry, now }: { entry: TodayCommission; now: number }) {
  const { commission, estimate, hasOpenRun, lastWorkedAt } = entry;
  const share = estimate.stepsTotal > 0 ? estimate.stepsDone / estimate.stepsTotal : 0;
  return (
    <section className={styles.takeUp} aria-label="Take up now">
      <div>
        <p className={styles.takeUpName}>{commission.name}</p>
        <p>
          {hasOpenRun ? 'Its line lies at the bench' : 'No line is laid out yet'}
          {lastWorkedAt !== null &&
            `, last brush stroke ${lastWorkedAt > now - 86_400_000 ? `at ${timeOfDayText(lastWorkedAt)}` : momentText(lastWorkedAt)}`}
          {`, ${percentText(share)} of its steps painted.`}
        </p>
      </div>
      <LinkButton kind="main" href={`/c/${commission.id}/${hasOpenRun ? 'bench' : 'line'}`} className={styles.go}>
        {hasOpenRun ? 'To the bench' : 'Lay out its line'}
      </LinkButton>
    </section>
  );
}

function Waits({ entry }: { entry: TodayCommission }) {
  const { commission, openCounts, waitingTestModels, unitsWithoutScheme } = entry;
  return (
    <li className={styles.waits}>
      <strong>{commission.name}</strong>
      {openCounts.length > 0 && <a href={`/c/${commission.id}/intake`}>Count open: {openCounts.join(', ')}</a>}
      {waitingTestModels.length > 0 && (
        <a href={`/c/${commission.id}/intake`}>Test model with the client: {waitingTestModels.join(', ')}</a>
      )}
      {unitsWithoutScheme.length > 0 && <a href={`/c/${commission.id}/scheme`}>No scheme yet: {unitsWithoutScheme.join(', ')}</a>}
    </li>
  );
}

function Nothing() {
  return (
    <div className={styles.nothing}>
      <Notice>
        <p>No commission is here yet. Open the box, count what came in it, and enter it: name, client, date, and the units.</p>
      </Notice>
      <span className={styles.actions}>
        <LinkButton kind="main" href="/new">
          Enter a commission
        </LinkButton>
        <ImportCommission />
      </span>
    </div>
  );
}
