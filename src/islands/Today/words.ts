import { undoneWords } from '../../core/commission/undone';
import type { TodayCommission } from '../../contract/today';
import { counted, dayOfText, minutesText } from '../../ui/format';

/** The likely day it is painted, and the safe one; none where no sessions tell. */
export const doneText = ({ outlook: { likelyAt, safeAt } }: TodayCommission): string[] =>
  likelyAt === null ? [] : [`expected ${dayOfText(likelyAt)}`, ...(safeAt === null ? [] : [`cautious ${dayOfText(safeAt)}`])];

export const modelsText = ({ models, units }: TodayCommission): string => `${counted(models, 'model')} in ${counted(units, 'unit')}`;

/** Can the date be met, and the numbers it comes from. */
export function standingText({ estimate, outlook, units, undone }: TodayCommission): { verdict: string; why: string } {
  if (units === 0) return { verdict: 'No units yet', why: 'Enter its units at Intake first.' };
  if (outlook.standing === 'done' && estimate.stepsTotal > 0 && undone.length > 0)
    return {
      verdict: `Painted, ${counted(undone.length, 'thing')} to settle`,
      why: `Every step is painted. Before it is delivered: ${undone.map(undoneWords).join('; ')}.`,
    };
  if (outlook.standing === 'done')
    return {
      verdict: estimate.stepsTotal === 0 ? 'No scheme yet' : 'All painted',
      why: estimate.stepsTotal === 0 ? 'Give its units a scheme first.' : 'Every step is painted.',
    };
  const queued = outlook.queuedMinutes > 0 ? ` after ${minutesText(outlook.queuedMinutes)} of other work` : '';
  const why = `${minutesText(outlook.sessionMinutes)} of sessions before the date; ${minutesText(estimate.likely)} needed${queued}. On time in ${Math.round(outlook.chance * 100)} of 100 simulations.`;

  const verdicts = { fits: 'Fits', tight: 'Tight', short: 'Too little time', done: 'All painted' } as const;
  return { verdict: verdicts[outlook.standing], why };
}
