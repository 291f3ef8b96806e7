import { doneText, modelsText, standingText } from './words';
import { paintedShare } from '../../core/views/estimate';
import type { TodayCommission } from '../../core/views/today';
import { Bar } from '../../ui/Bar/Bar';
import { LinkButton } from '../../ui/Button/Button';
import { dayText, daysUntil, minutesText, percentText } from '../../ui/format';
import styles from './View.module.css';

/** One commission with its standing: painted, left, date, and whether the date can be met. */
export function CommissionRow({ entry, now }: { entry: TodayCommission; now: number }) {
  const { commission, estimate, outlook, isOnBench } = entry;
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
          <dt>left, likely</dt>
          <dd data-testid="likely">{minutesText(estimate.likely)}</dd>
        </div>
        <div>
          <dt>left, safe</dt>
          <dd>{minutesText(estimate.safe)}</dd>
        </div>
      </dl>
      <div className={styles.due}>
        {dayText(commission.dueOn)}
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
      <LinkButton href={nextHref(entry)}>{isOnBench ? 'Bench' : nextName(entry)}</LinkButton>
    </li>
  );
}

/** Where work on it goes on: at the bench, at the line, or where something is missing. */
function nextHref({ commission, isOnBench, canBePainted, units }: TodayCommission): string {
  if (isOnBench) return '/bench';
  if (canBePainted) return `/line?of=${commission.id}`;
  return `/c/${commission.id}/${units === 0 ? 'intake' : 'scheme'}`;
}

const nextName = ({ canBePainted, units }: TodayCommission): string => (canBePainted ? 'Line' : units === 0 ? 'Intake' : 'Scheme');
