import { parse } from '../../../../core/formats/fields';
import { newEvents, newEventsSchema } from '../../../../server/bench/loadBench';
import { recordEvents, recordEventsSchema } from '../../../../server/bench/recordEvents';
import { endpoint, query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, url }) =>
  newEvents(stores, params['id'], parse(newEventsSchema, { after: Number(url.searchParams.get('after') ?? 0) })),
);
export const POST = endpoint(recordEventsSchema, (input, { stores, params, now }) => recordEvents(stores, params['id'], input, now));
