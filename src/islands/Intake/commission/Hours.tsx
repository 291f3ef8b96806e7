import { minutesText, moneyText } from '../../../ui/format';
import type { useIntake } from '../useIntake';
import styles from '../View.module.css';

/** Time left, and what it is worth, at the foot of the view. */
export function Hours({ intake }: { intake: ReturnType<typeof useIntake> }) {
  const { estimate } = intake;
  const { hourlyRateMinor, currency } = intake.value.commission;
  const price = (minutes: number) => moneyText((minutes / 60) * hourlyRateMinor, currency);
  if (estimate.stepsTotal === 0) return <p>Hours and price appear as soon as a unit has a scheme.</p>;
  return (
    <dl className={styles.hours}>
      <div>
        <dt>Time left: expected</dt>
        <dd data-testid="likely">{minutesText(estimate.likely)}</dd>
      </div>
      <div>
        <dt>Cautious</dt>
        <dd>{minutesText(estimate.safe)}</dd>
      </div>
      <div>
        <dt>Hands-on, whole commission</dt>
        <dd>{minutesText(estimate.wholeHandsOn)}</dd>
      </div>
      <div>
        <dt>Remaining work at your rate</dt>
        <dd>
          {price(estimate.likely)} to {price(estimate.safe)}
        </dd>
      </div>
    </dl>
  );
}
