import { DAY_MS, MINUTE_MS } from '../kernel/timeUnits';
import { localDay } from '../kernel/localDay';
import { benchSessions, type SessionRules } from '../plan/dates/benchSessions';

/** Something for the calendar: a stretch of time, or a whole day. */
export interface CalendarEntry {
  /** The same for the same thing, however it moves: a calendar puts the new one in place of the old. */
  uid: string;
  summary: string;
  description: string;
  /** Moments, UTC ms; or the calendar day of a whole one. */
  when: { from: number; to: number } | { day: string };
}

/** What the calendar is made of, all of open work. */
export interface CalendarOf {
  /** UTC ms. */
  now: number;
  rules: SessionRules;
  commissions: readonly {
    id: string;
    name: string;
    client: string;
    dueOn: string;
    leavesBy: string;
    carrier: string;
    /** The last moment of painting, UTC ms. */
    by: number;
    isPainted: boolean;
  }[];
  /** Units that cure, with when they can be packed, UTC ms. */
  curing: readonly { unitId: string; unit: string; commission: string; packAt: number }[];
  /** What is wet, with when the last of it is dry, UTC ms. */
  drying: readonly { passKey: string; unit: string; what: string; models: number; dryAt: number }[];
}

const WEEKS_AHEAD = 8;
const DAYS_OF_WEEK = 7;
/** A moment is shown as long as it takes to look. */
const A_LOOK_MS = 15 * MINUTE_MS;
const OURS = '@neat-relay';

/** Everything with a date, in the order it comes. What is over is left out. */
export function calendarEntries({ now, rules, commissions, curing, drying }: CalendarOf): CalendarEntry[] {
  const sessions = benchSessions(rules, now, now + WEEKS_AHEAD * DAYS_OF_WEEK * DAY_MS);
  const isInSession = (at: number) => sessions.some(({ from, to }) => from <= at && at <= to);
  const moment = (uid: string, at: number, summary: string, description = ''): CalendarEntry => ({
    uid: `${uid}${OURS}`,
    summary,
    description,
    when: { from: at, to: at + A_LOOK_MS },
  });
  const day = (uid: string, on: string, summary: string, description = ''): CalendarEntry => ({
    uid: `${uid}${OURS}`,
    summary,
    description,
    when: { day: on },
  });
  const today = localDay(new Date(now));
  const entries = [
    // One that goes on began when it began.
    ...sessions.map(({ from, to }): CalendarEntry => ({
      uid: `session-${new Date(startOf(from, now, rules)).toISOString()}${OURS}`,
      summary: 'Painting session',
      description: '',
      when: { from: startOf(from, now, rules), to },
    })),
    ...drying
      .filter(({ dryAt }) => dryAt > now && !isInSession(dryAt))
      .map(({ passKey, unit, what, models, dryAt }) =>
        moment(`dry-${passKey}`, dryAt, `Dry: ${unit}, ${what.toLowerCase()}`, `${models} ${models === 1 ? 'model' : 'models'}`),
      ),
    ...curing
      .filter(({ packAt }) => packAt > now)
      .map(({ unitId, unit, commission, packAt }) => moment(`cured-${unitId}`, packAt, `Cured: ${unit} can be packed`, commission)),
    ...commissions.flatMap(({ id, name, client, dueOn, leavesBy, carrier, by, isPainted }) => [
      ...(isPainted
        ? []
        : [day(`painted-${id}`, localDay(new Date(by - 1)), `Last day to paint: ${name}`, 'What comes after it is for varnish to cure.')]),
      ...(leavesBy === dueOn ? [] : [day(`parcel-${id}`, leavesBy, `Parcel must go: ${name}`, carrier)]),
      day(`due-${id}`, dueOn, `Promised: ${name}`, client),
    ]),
  ];
  return entries.filter(({ when }) => ('day' in when ? when.day >= today : when.to > now));
}

/** The session that goes on is clipped to now: its whole beginning. */
function startOf(from: number, now: number, rules: SessionRules): number {
  if (from !== now) return from;
  return benchSessions(rules, now - DAY_MS, now + A_LOOK_MS).find((session) => session.from <= now && session.to > now)?.from ?? from;
}
