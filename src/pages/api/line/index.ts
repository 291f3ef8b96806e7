import { endpoint, query } from '../../../server/http/endpoint';
import { loadLine } from '../../../server/line/loadLine';
import { ownLineSchema, saveOwnLine } from '../../../server/line/saveOwnLine';

export const GET = query(({ stores, now }) => loadLine(stores, now));
export const PUT = endpoint(ownLineSchema, (input, { stores, now }) => saveOwnLine(stores, input, now));
