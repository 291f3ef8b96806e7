import { MINUTE_MS } from '../../kernel/timeUnits';
import type { HouseRules, WeeklySession } from '../../scheme/model/houseRules';

/** A session at the bench, UTC ms. */
export interface BenchSession {
  from: number;
  to: number;
}

const DAYS_OF_WEEK = 7;

/** What says when the painter is at the bench. */
export type SessionRules = Pick<HouseRules, 'sessions' | 'away'>;

/**
 * The weekly pattern laid out between two moments (UTC ms), in the local time zone of the process, clipped to them.
 * `to` may be 24:00, the end of the day. A session lasts as long as its clock times say, also in the night when clocks change: one in
 * an hour that is skipped comes right after, one in an hour that comes twice is held once, and none runs into another. What is taken is
 * left out of them.
 */
export const benchSessions = ({ sessions, away }: SessionRules, from: number, to: number): BenchSession[] =>
  without(patternSessions(sessions, from, to), takenTimes(away));

/** Sessions without the times that are taken. */
function without(sessions: readonly BenchSession[], taken: readonly BenchSession[]): BenchSession[] {
  if (taken.length === 0) return [...sessions];
  return sessions.flatMap((session) => {
    const left: BenchSession[] = [];
    let from = session.from;
    for (const away of taken) {
      if (away.to <= from || away.from >= session.to) continue;
      if (away.from > from) left.push({ from, to: away.from });
      from = away.to;
    }
    return from < session.to ? [...left, { from, to: session.to }] : left;
  });
}

/** Times that are taken, in their order, none over another. */
function takenTimes(away: SessionRules['away']): BenchSession[] {
  const times = away.map(({ from, to }) => ({ from: Date.parse(from), to: Date.parse(to) })).sort((a, b) => a.from - b.from);
  const taken: BenchSession[] = [];
  for (const time of times) {
    const last = taken.at(-1);
    if (last && time.from <= last.to) last.to = Math.max(last.to, time.to);
    else taken.push(time);
  }
  return taken;
}

function patternSessions(pattern: readonly WeeklySession[], from: number, to: number): BenchSession[] {
  const sessions: BenchSession[] = [];
  const day = new Date(from);
  day.setHours(0, 0, 0, 0);
  // What was pushed into this day, or into the next, by clocks put forward.
  day.setDate(day.getDate() - 1);
  let free = -Infinity;
  for (; day.getTime() < to; day.setDate(day.getDate() + 1)) {
    for (const session of ofDay(pattern, day)) {
      const start = Math.max(free, atClock(day, session.from));
      free = start + clockMinutes(session) * MINUTE_MS;
      const clipped = { from: Math.max(from, start), to: Math.min(to, free) };
      if (clipped.to > clipped.from) sessions.push(clipped);
    }
  }
  return sessions;
}

const ofDay = (pattern: readonly WeeklySession[], day: Date): WeeklySession[] =>
  pattern.filter((session) => session.weekday === (day.getDay() + 6) % DAYS_OF_WEEK).sort((a, b) => (a.from < b.from ? -1 : 1));

const minuteOfDay = (clock: string): number => {
  const [hours, minutes] = clock.split(':').map(Number);
  return hours! * 60 + minutes!;
};

/** How long a session is by its clock times. */
const clockMinutes = ({ from, to }: WeeklySession): number => Math.max(0, minuteOfDay(to) - minuteOfDay(from));

function atClock(day: Date, clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number);
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes).getTime();
}

/** Minutes of all sessions together. */
export const sessionMinutes = (sessions: readonly BenchSession[]): number =>
  sessions.reduce((sum, session) => sum + (session.to - session.from) / MINUTE_MS, 0);

/** Laid out day by day up to here; beyond it a week is like another. */
const WEEKS_LAID_OUT = 2;

/** Minutes of the sessions between two moments (UTC ms), however far apart they are. */
export const minutesBetween = ({ sessions, away }: SessionRules, from: number, to: number): number =>
  takenTimes(away)
    .map((taken) => ({ from: Math.max(from, taken.from), to: Math.min(to, taken.to) }))
    .filter((taken) => taken.to > taken.from)
    .reduce((left, taken) => left - patternMinutes(sessions, taken.from, taken.to), patternMinutes(sessions, from, to));

function patternMinutes(pattern: readonly WeeklySession[], from: number, to: number): number {
  const tail = new Date(from);
  const weeks = Math.floor((to - from) / (DAYS_OF_WEEK * 24 * 60 * MINUTE_MS)) - WEEKS_LAID_OUT;
  if (weeks <= 0) return sessionMinutes(patternSessions(pattern, from, to));
  // From midnight to midnight every session is whole, and every week has each of them once.
  tail.setHours(0, 0, 0, 0);
  tail.setDate(tail.getDate() + DAYS_OF_WEEK);
  const firstDay = tail.getTime();
  tail.setDate(tail.getDate() + weeks * DAYS_OF_WEEK);
  return (
    sessionMinutes(patternSessions(pattern, from, firstDay)) +
    weeks * pattern.reduce((sum, session) => sum + clockMinutes(session), 0) +
    sessionMinutes(patternSessions(pattern, tail.getTime(), to))
  );
}

/** The end of a calendar day (2026-11-30) in the local time zone, UTC ms. */
export function endOfDay(day: string): number {
  const [year, month, date] = day.split('-').map(Number);
  return new Date(year!, month! - 1, date! + 1).getTime();
}
