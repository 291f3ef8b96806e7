import ICAL from 'ical.js';
import { InputError } from '../../core/kernel/InputError';
import { DAY_MS } from '../../core/kernel/timeUnits';
import type { Away } from '../../core/scheme/model/houseRules';

const DAYS_AHEAD = 400;
const MOST = 2000;
const MOST_STEPS = 20_000;
const OURS = '@neat-relay';
const LONGEST = 200;

/**
 * When somebody else's calendar (RFC 5545) is busy, from `now` on for a year: each occurrence by itself. What this program wrote is left
 * out. Throws an `InputError` for a file that is none.
 */
export function readCalendar(text: string, now: Date): Away[] {
  const root = parsed(text);
  for (const zone of root.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
  const events = root.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component));
  const singles = events.filter((event) => event.isRecurrenceException());
  const until = now.getTime() + DAYS_AHEAD * DAY_MS;
  const away: Away[] = [];
  for (const event of events) {
    if (event.isRecurrenceException() || event.uid?.endsWith(OURS) || isFree(event)) continue;
    for (const single of singles) if (single.uid === event.uid) event.relateException(single);
    for (const { from, to, key } of occurrences(event, until)) {
      if (to <= now.getTime() || to <= from) continue;
      away.push({
        uid: `${event.uid ?? event.summary ?? 'event'} ${key}`.trim(),
        from: new Date(from).toISOString(),
        to: new Date(to).toISOString(),
        what: (event.summary ?? '').slice(0, LONGEST),
      });
      if (away.length > MOST)
        throw new InputError('the file', away.length, `choose a calendar with at most ${MOST} events in the coming year`);
    }
  }
  return away.sort((a, b) => (a.from < b.from ? -1 : 1));
}

function parsed(text: string): ICAL.Component {
  try {
    const root = new ICAL.Component(ICAL.parse(text) as unknown[]);
    if (root.name !== 'vcalendar') throw new Error(root.name);
    return root;
  } catch {
    throw new InputError('the file', text.slice(0, 40), 'choose a calendar file (.ics, RFC 5545)');
  }
}

/** Marked as taking no time, or called off. */
const isFree = ({ component }: ICAL.Event): boolean =>
  component.getFirstPropertyValue('transp') === 'TRANSPARENT' || component.getFirstPropertyValue('status') === 'CANCELLED';

function* occurrences(event: ICAL.Event, until: number): Generator<{ from: number; to: number; key: string }> {
  if (!event.isRecurring()) {
    yield { ...span(event.startDate, event.endDate), key: '' };
    return;
  }
  const iterator = event.iterator();
  for (let step = 0; step < MOST_STEPS; step++) {
    const next = iterator.next() as ICAL.Time | undefined;
    if (!next || next.toJSDate().getTime() > until) return;
    const { startDate, endDate } = event.getOccurrenceDetails(next);
    yield { ...span(startDate, endDate), key: next.toString() };
  }
}

/** A whole day is one of the painter's, wherever the calendar was written. */
const span = (start: ICAL.Time, end: ICAL.Time): { from: number; to: number } => ({ from: moment(start), to: moment(end) });

const moment = (time: ICAL.Time): number =>
  time.isDate ? new Date(time.year, time.month - 1, time.day).getTime() : time.toJSDate().getTime();
