import type { LineDue } from '../line/definitions';
import { endOfDay } from './benchSessions';

/** A minute that a commission is late counts as so many of the line's own: a date gives way last, and to much. */
export const PER_MINUTE_LATE = 5;

const MINUTE_MS = 60_000;

/** The dates of the commissions that have jobs on a line, for minutes counted from `origin` (UTC ms); a day that is over was due at once. */
export function lineDates(
  jobs: readonly { id: string; commissionId: string }[],
  commissions: readonly { id: string; dueOn: string }[],
  origin: number,
): LineDue[] {
  return commissions.flatMap(({ id, dueOn }) => {
    const own = jobs.filter((job) => job.commissionId === id).map((job) => job.id);
    if (own.length === 0) return [];
    return [{ id, jobs: own, at: Math.max(0, (endOfDay(dueOn) - origin) / MINUTE_MS), perMinuteLate: PER_MINUTE_LATE }];
  });
}
