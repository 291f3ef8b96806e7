import { groupBy } from '../../kernel/groupBy';
import { MINUTE_MS } from '../../kernel/timeUnits';
import type { LineDue } from '../../line/definitions';
import { BenchCalendar } from '../../line/timing/BenchCalendar';
import type { LineSessions } from './lineSessions';

/** A minute that a commission is late counts as so many of the line's own: a date gives way last, and to much. */
const PER_MINUTE_LATE = 20;
/** A minute that eats into what keeps a date safe counts as so many: more than it can save. */
const PER_MINUTE_UNSAFE = 8;

const SAFE_SUFFIX = ' safe';

/** Is the date a commission's own, and not the earlier one that keeps it safe? The id is then that of the commission. */
export const isOwnDate = ({ id }: { id: string }): boolean => !id.endsWith(SAFE_SUFFIX);

/**
 * The dates of the commissions that have jobs on a line, in minutes of the sessions (`by`: the last moment, UTC ms); one that is over was due at once. Where
 * several have, each has a second date so much earlier that work which takes `safeRatio` times as long as likely still meets its own.
 */
export function lineDates(
  jobs: readonly { id: string; commissionId: string }[],
  commissions: readonly { id: string; by: number }[],
  { origin, sessions }: LineSessions,
  safeRatio: number,
): LineDue[] {
  const calendar = BenchCalendar.of(sessions);
  const byCommission = groupBy(jobs, ({ commissionId }) => commissionId);
  const own = commissions.flatMap(({ id, by }) => {
    const its = byCommission.get(id)?.map((job) => job.id);
    if (!its) return [];
    return [{ id, jobs: its, at: Math.max(0, (by - origin) / MINUTE_MS), perMinuteLate: PER_MINUTE_LATE }];
  });
  if (own.length < 2) return own;
  const safe = own.map((date) => ({
    ...date,
    id: `${date.id}${SAFE_SUFFIX}`,
    at: calendar.momentOf(calendar.benchTimeAt(date.at) / safeRatio),
    perMinuteLate: PER_MINUTE_UNSAFE,
  }));
  return [...own, ...safe];
}
