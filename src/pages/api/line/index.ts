import { endpoint, query } from '../../../server/http/endpoint';
import { loadLine } from '../../../server/plan/loadLine';
import { ownLineSchema, saveOwnLine } from '../../../server/plan/saveOwnLine';

export const GET = query(({ stores, now }) => loadLine(stores, now));
export const PUT = endpoint(ownLineSchema, (input, { stores, now }) => saveOwnLine(stores, input, now));
