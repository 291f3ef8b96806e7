import { newEvents } from '../../../../server/bench/loadBench';
import { recordEvents, recordEventsSchema } from '../../../../server/bench/recordEvents';
import { endpoint, query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, url }) => newEvents(stores, params['id'], Number(url.searchParams.get('after')) || 0));
export const POST = endpoint(recordEventsSchema, (input, { stores, params, now }) => recordEvents(stores, params['id'], input, now));
