import { recordEvents, recordEventsSchema } from '../../../server/bench/recordEvents';
import { endpoint } from '../../../server/http/endpoint';

export const POST = endpoint(recordEventsSchema, (input, { stores, now }) => recordEvents(stores, input, now), { tells: 'events' });
