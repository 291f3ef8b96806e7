import { DAY_MS, MINUTE_MS } from '../../kernel/timeUnits';
import { compileLine } from '../../line/problem/compileLine';
import type { LineProblem, LineSession } from '../../line/definitions';
import { benchSessions, minutesBetween, sessionMinutes, type SessionRules } from './benchSessions';

/** The painter's sessions as a line problem takes them. */
export interface LineSessions {
  /** The moment that the minutes of the problem are counted from, UTC ms. */
  origin: number;
  sessions: LineSession[];
}

const WEEK_MS = 7 * DAY_MS;
/** Ends of sessions are left unused, and some orders wait: so many times the work they are laid out for. */
const ROOM = 2;
const WEEKS_MORE = 2;
const MOST_WEEKS = 520;

/** The coming sessions of the weekly pattern, enough for every sensible order of the line; null when there are none. */
export function lineSessions(problem: LineProblem, rules: SessionRules, now: number): LineSessions | null {
  const begin = Math.ceil(now / MINUTE_MS) * MINUTE_MS;
  const inWeek = sessionMinutes(benchSessions({ ...rules, away: [] }, begin, begin + WEEK_MS));
  if (inWeek <= 0) return null;
  const needed = ROOM * mostWork(problem);
  let weeks = Math.min(MOST_WEEKS, Math.ceil(needed / inWeek) + WEEKS_MORE);
  // What is taken is made up for behind.
  while (weeks < MOST_WEEKS && minutesBetween(rules, begin, begin + weeks * WEEK_MS) < needed + WEEKS_MORE * inWeek) weeks++;
  const coming = benchSessions(rules, begin, begin + weeks * WEEK_MS);
  if (coming.length === 0) return null;
  const origin = coming[0]!.from;
  return {
    origin,
    sessions: coming.map(({ from, to }) => ({ from: (from - origin) / MINUTE_MS, to: (to - origin) / MINUTE_MS })),
  };
}

/** Hands-on minutes of all jobs, each with the dearest way to get its setup ready. */
function mostWork(problem: LineProblem): number {
  const { jobMinutes, jobSetup } = compileLine(problem);
  const dearest = problem.start.map((start, to) => Math.max(start, ...problem.changeover.map((row) => row[to]!)));
  return jobMinutes.reduce((sum, minutes, job) => sum + minutes + dearest[jobSetup[job]!]!, 0);
}
