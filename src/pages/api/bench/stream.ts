import { count, parse } from '../../../core/formats/fields';
import { object } from 'yup';
import { benchStream } from '../../../server/bench/benchStream';
import { openedDatabase } from '../../../server/starting/services';
import { query } from '../../../server/http/endpoint';

const schema = object({ after: count(0, Number.MAX_SAFE_INTEGER) });

/** A browser that comes back says itself what it has heard last. */
export const GET = query(async ({ stores, url, request }) => {
  const after = Number(request.headers.get('last-event-id') ?? url.searchParams.get('after') ?? 0);
  return benchStream(stores, (await openedDatabase()).database.identity, parse(schema, { after }).after, request.signal);
});
