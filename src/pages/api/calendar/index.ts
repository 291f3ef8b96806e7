import { loadCalendar } from '../../../server/calendar/loadCalendar';
import { writeCalendar } from '../../../server/calendar/writeCalendar';
import { download } from '../../../server/http/download';
import { query } from '../../../server/http/endpoint';

/** The calendar, to be saved or followed as a feed. */
export const GET = query(async ({ stores, now }) =>
  download(writeCalendar(await loadCalendar(stores, now), now), 'Neat Relay.ics', 'text/calendar'),
);
