import { doneText, modelsText, standingText } from './words';
import { paintedShare } from '../../core/commission/estimate';
import type { TodayCommission } from '../../contract/today';
import { Bar } from '../../ui/Bar/Bar';
import { LinkButton } from '../../ui/Button/Button';
import { dayText, daysUntil, minutesText, percentText } from '../../ui/format';
import { PlanLine } from '../shared/PlanLine';
import styles from './View.module.css';

/** One commission with its standing: painted, left, date, and whether the date can be met. */
export function CommissionRow({ entry, now }: { entry: TodayCommission; now: number }) {
  const { commission, estimate, outlook } = entry;
  const share = paintedShare(estimate);
  const days = daysUntil(commission.dueOn, now);
  const standing = standingText(entry);
  const done = doneText(entry);
  return (
    <li className={styles.row}>
      <div className={styles.who}>
        <a href={`/c/${commission.id}/intake`} className={styles.name}>
          {commission.name}
        </a>
        <small>
          {commission.client}, {modelsText(entry)}
        </small>
      </div>
      <div className={styles.painted}>
        <Bar full={1} label={`${percentText(share)} painted`} parts={[{ label: 'painted', value: share, look: 'solid' }]} />
        <small>{percentText(share)} painted</small>
      </div>
      <dl className={styles.left}>
        <div>
          <dt>
            <small>time left:</small>expected
          </dt>
          <dd data-testid="likely">{minutesText(estimate.likely)}</dd>
        </div>
        <div>
          <dt>cautious</dt>
          <dd>{minutesText(estimate.safe)}</dd>
        </div>
      </dl>
      <div className={styles.due}>
        {dayText(commission.dueOn)}
        {entry.leavesBy !== commission.dueOn && <small data-testid="parcel-day">parcel goes {dayText(entry.leavesBy)}</small>}
        <small>{days < 0 ? `${-days} days ago` : days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`}</small>
      </div>
      <div className={styles.standing}>
        <details>
          <summary data-standing={outlook.standing}>{standing.verdict}</summary>
          <p>{standing.why}</p>
        </details>
        {done.map((date) => (
          <small key={date} data-testid="done-date">
            {date}
          </small>
        ))}
      </div>
      <Next entry={entry} />
    </li>
  );
}

/** Where work on it goes on: at the line, at its end, or where something is missing. */
function Next({ entry: { commission, isOnBench, canBePainted, units, outlook, estimate } }: { entry: TodayCommission }) {
  // The way to the bench is the big one above.
  if (isOnBench) return <span className={styles.onBench}>on the bench</span>;
  if (canBePainted) return <PlanLine commissionId={commission.id}>Line</PlanLine>;
  if (outlook.standing === 'done' && estimate.stepsTotal > 0) return <LinkButton href={`/c/${commission.id}/finish`}>Finish</LinkButton>;
  const [name, station] = units === 0 ? ['Intake', 'intake'] : ['Scheme', 'scheme'];
  return <LinkButton href={`/c/${commission.id}/${station}`}>{name}</LinkButton>;
}
