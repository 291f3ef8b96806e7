import type { BackPlan, Give } from '../../../core/commission/backPlan';
import type { IntakeFigures } from '../../../contract/intakeFigures';
import { Panel } from '../../../ui/Panel/Panel';
import { cx } from '../../../ui/cx';
import { counted, dayText, minutesText } from '../../../ui/format';
import styles from './commission.module.css';

const STANDING_WORDS = { safe: 'fits', likely: 'only just fits', short: 'does not fit' } as const;

interface BackPlannedProps {
  plan: BackPlan;
  cureDays: IntakeFigures['cureDays'];
  dueOn: string;
  leavesBy: IntakeFigures['leavesBy'];
  models: number;
}

/** The plan back from the date: what each model can have, which standards fit, and what would have to give. */
export function BackPlanned({ plan, cureDays, dueOn, leavesBy, models }: BackPlannedProps) {
  const cure = cureDays === 0 ? '' : `, ${counted(cureDays, 'day')} for the varnish to cure left out`;
  const parcel = leavesBy === dueOn ? '' : `, back from ${dayText(leavesBy)}, when the parcel must go`;
  return (
    <Panel title={titleOf(plan, dueOn)}>
      <div className={cx(styles.backPlan, plan.standing === 'short' && styles.short)} data-testid="back-plan">
        <p>
          {minutesText(plan.availableMinutes)} at the bench until then, after the work that comes first{parcel}
          {cure}. {plan.fits.map(({ standard, standing }) => `${standard} ${STANDING_WORDS[standing]}`).join(', ')}.
        </p>
        {plan.gives.length > 0 && (
          <p>
            <strong>What would have to give:</strong> {plan.gives.map((give) => giveWords(give, models)).join('; or ')}.
          </p>
        )}
        <ul className={styles.perModel}>
          {plan.perModel.map(({ unitId, name, minutes, needed }) => (
            <li key={unitId}>
              {name}: {needed > minutes ? 'only' : 'up to'} {minutesText(minutes)} for a model, {minutesText(needed)}{' '}
              {needed > minutes ? 'needed' : 'planned'}
            </li>
          ))}
        </ul>
      </div>
    </Panel>
  );
}

function titleOf({ standing, shortMinutes }: BackPlan, dueOn: string): string {
  if (standing === 'safe') return `${dayText(dueOn)} can be kept`;
  if (standing === 'likely') return `${dayText(dueOn)} is expected, ${minutesText(shortMinutes)} short of cautious`;
  return `${dayText(dueOn)} cannot be kept as things stand: ${minutesText(shortMinutes)} are missing`;
}

function giveWords(give: Give, models: number): string {
  if (give.kind === 'sessions') return `${counted(give.sessions, 'more session')} before the date`;
  if (give.kind === 'standard') return `the standard, to ${give.standard} (${minutesText(give.savedMinutes)} less)`;
  return `about ${counted(Math.ceil(give.share * models), 'model')} of ${models}`;
}
