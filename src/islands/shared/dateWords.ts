import { type PlannedDate, type SetPrice, harmOf } from '../../core/plan/choices/lineSets';
import { FITS_CHANCE } from '../../core/plan/dates/forecast';
import { counted, minutesText } from '../../ui/format';
import type { LineTimes } from './LineTimes';

/** Less is not told apart. */
const SMALLEST_MINUTES = 0.5;

/** A date's chance in words: safe, or how often it is met. */
export const chanceText = (chance: number): string => (chance >= FITS_CHANCE ? 'safe' : `in time in ${Math.round(chance * 100)} of 100`);

/** What so many minutes less at the bench are called. */
export const savedText = (minutes: number): string =>
  Math.abs(minutes) < SMALLEST_MINUTES
    ? 'nothing saved'
    : minutes > 0
      ? `${minutesText(minutes)} saved`
      : `${minutesText(-minutes)} longer`;

/** What a change does to each date that it moves, in words. */
export function movedDates(
  before: readonly PlannedDate[],
  after: readonly PlannedDate[],
  times: LineTimes,
  nameOf: (commissionId: string) => string,
): string[] {
  return after.flatMap((date) => {
    const was = before.find(({ commissionId }) => commissionId === date.commissionId);
    if (!was) return [];
    const sessions = times.sessionOf(date.end) - times.sessionOf(was.end);
    const harm = harmOf(before, date);
    if (sessions === 0 && harm === null) return [];
    const shift = sessions === 0 ? '' : ` ${counted(Math.abs(sessions), 'session')} ${sessions > 0 ? 'later' : 'earlier'}`;
    const standing =
      date.end > date.at
        ? was.end > was.at
          ? 'late as before'
          : 'late'
        : `${date.chance >= FITS_CHANCE && was.chance >= FITS_CHANCE ? 'still ' : ''}${chanceText(date.chance)}`;
    return [`${nameOf(date.commissionId)}${shift}, ${standing}`];
  });
}

/** What it brings to lay another line: minutes, then the dates that move. */
export function priceText(price: SetPrice, times: LineTimes, nameOf: (commissionId: string) => string): string {
  const moved = movedDates(price.before, price.after, times, nameOf);
  return `${savedText(price.savedMinutes)}; ${moved.length === 0 ? 'no date moves' : moved.join('; ')}`;
}
