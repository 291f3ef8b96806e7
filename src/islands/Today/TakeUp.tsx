import { DAY_MS } from '../../core/kernel/timeUnits';
import { paintedShare } from '../../core/commission/estimate';
import type { Today, TodayCommission } from '../../contract/today';
import { LinkButton } from '../../ui/Button/Button';
import { momentText, percentText, timeOfDayText } from '../../ui/format';
import { PlanLine } from '../shared/PlanLine';
import { standingText } from './words';
import styles from './View.module.css';

/** What can be worked on now: the line on the bench, else the commission due first that waits for nobody. */
export function TakeUp({ today, now }: { today: Today; now: number }) {
  if (today.bench) {
    const { names, lastWorkedAt, painted } = today.bench;
    return (
      <section className={styles.takeUp} aria-label="Take up now">
        <div>
          <p className={styles.takeUpName}>{names.join(' and ')}</p>
          <p>
            On the bench
            {lastWorkedAt !== null && `, last tap ${lastWorkedAt > now - DAY_MS ? timeOfDayText(lastWorkedAt) : momentText(lastWorkedAt)}`}
            {`, ${percentText(painted)} painted.`}
          </p>
        </div>
        <LinkButton kind="main" href="/bench" className={styles.go}>
          To the bench
        </LinkButton>
      </section>
    );
  }
  const next = today.commissions.find((entry) => entry.canBePainted);
  return next ? <Plan entry={next} /> : <NothingToPaint today={today} />;
}

function Plan({ entry: { commission, estimate } }: { entry: TodayCommission }) {
  return (
    <section className={styles.takeUp} aria-label="Take up now">
      <div>
        <p className={styles.takeUpName}>{commission.name}</p>
        <p>
          Not on the bench yet
          {`, ${percentText(paintedShare(estimate))} painted.`}
        </p>
      </div>
      <PlanLine kind="main" commissionId={commission.id} className={styles.go}>
        Plan its line
      </PlanLine>
    </section>
  );
}

/** Everything is painted, waits for somebody, or has no scheme: the next thing to do is not at the bench. */
function NothingToPaint({ today }: { today: Today }) {
  const bare = today.commissions.find((entry) => entry.unitsWithoutScheme.length > 0 || entry.units === 0);
  const waiting = today.commissions.find((entry) => entry.waitingTestModels.length > 0);
  const painted = today.commissions.find((entry) => entry.outlook.standing === 'done' && entry.estimate.stepsTotal > 0);
  const [name, text, href, label] = bare
    ? bare.units === 0
      ? [bare.commission.name, 'It has no units yet.', `/c/${bare.commission.id}/intake`, 'Enter its units']
      : [
          bare.commission.name,
          `No scheme yet: ${bare.unitsWithoutScheme.join(', ')}.`,
          `/c/${bare.commission.id}/scheme`,
          'Write the scheme',
        ]
    : waiting
      ? [
          waiting.commission.name,
          `Waiting for approval: ${waiting.waitingTestModels.join(', ')}.`,
          `/c/${waiting.commission.id}/intake`,
          'Mark as approved',
        ]
      : painted
        ? [painted.commission.name, standingText(painted).why, `/c/${painted.commission.id}/finish`, 'Inspect and hand over']
        : [null, null, null, null];
  if (name === null) return null;
  return (
    <section className={styles.takeUp} aria-label="Take up now">
      <div>
        <p className={styles.takeUpName}>{name}</p>
        <p>{text}</p>
      </div>
      <LinkButton kind="main" href={href!} className={styles.go}>
        {label}
      </LinkButton>
    </section>
  );
}
