import { parse } from '../../core/formats/fields';
import { loadWhy, whySchema } from '../../server/plan/loadWhy';
import { query } from '../../server/http/endpoint';

export const GET = query(({ stores, url, now }) => loadWhy(stores, parse(whySchema, { pass: url.searchParams.get('pass') ?? '' }), now));
