import type { WeeklySession } from '../scheme/houseRules';

/** A session at the bench, UTC ms. */
export interface BenchSession {
  from: number;
  to: number;
}

const MINUTE_MS = 60_000;

/**
 * The weekly pattern laid out between two moments (UTC ms), in the local time zone of the process, clipped to them.
 * `to` may be 24:00, the end of the day.
 */
export function benchSessions(pattern: readonly WeeklySession[], from: number, to: number): BenchSession[] {
  const sessions: BenchSession[] = [];
  const day = new Date(from);
  day.setHours(0, 0, 0, 0);
  for (; day.getTime() < to; day.setDate(day.getDate() + 1)) {
    for (const session of pattern) {
      if (session.weekday !== (day.getDay() + 6) % 7) continue;
      const start = Math.max(from, atClock(day, session.from));
      const end = Math.min(to, atClock(day, session.to));
      if (end > start) sessions.push({ from: start, to: end });
    }
  }
  return sessions.sort((a, b) => a.from - b.from);
}

function atClock(day: Date, clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number);
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hours, minutes).getTime();
}

/** Minutes of all sessions together. */
export const sessionMinutes = (sessions: readonly BenchSession[]): number =>
  sessions.reduce((sum, session) => sum + (session.to - session.from) / MINUTE_MS, 0);

/** The end of a calendar day (2026-11-30) in the local time zone, UTC ms. */
export function endOfDay(day: string): number {
  const [year, month, date] = day.split('-').map(Number);
  return new Date(year!, month! - 1, date! + 1).getTime();
}
