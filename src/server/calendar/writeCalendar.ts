import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import type { CalendarEntry } from '../../core/finish/calendar';

/** How often whoever follows the feed should look again. */
const REFRESH_SECONDS = 3600;

/** Entries as RFC 5545 has them; a later file with the same ids takes the place of an earlier one. */
export function writeCalendar(entries: readonly CalendarEntry[], now: Date): string {
  const calendar = ical({
    name: 'Neat Relay',
    prodId: { company: 'Neat Relay', product: 'Bench', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: REFRESH_SECONDS,
  });
  for (const { uid, summary, description, when } of entries) {
    const time =
      'day' in when
        ? // A whole day has no time zone: its date is written as it is.
          { allDay: true, start: new Date(`${when.day}T12:00:00`), transparency: ICalEventTransparency.TRANSPARENT }
        : { start: new Date(when.from), end: new Date(when.to) };
    calendar.createEvent({ id: uid, stamp: now, summary, ...(description !== '' && { description }), ...time });
  }
  return calendar.toString();
}
