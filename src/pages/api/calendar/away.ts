import { previewAway } from '../../../server/calendar/previewAway';
import { readCalendar } from '../../../server/calendar/readCalendar';
import { bytesEndpoint } from '../../../server/http/endpoint';
import { decodeText } from '../../../server/text/decodeText';

const LIMIT_BYTES = 10_000_000;

/** What the busy times of a calendar file would take out of the sessions. */
export const POST = bytesEndpoint((file, { stores, now }) => previewAway(stores, readCalendar(decodeText(file, 'the file'), now), now), {
  limitBytes: LIMIT_BYTES,
});
