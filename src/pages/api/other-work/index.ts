import { endpoint, query } from '../../../server/http/endpoint';
import { loadOtherWork, startOtherSchema, startOtherWork } from '../../../server/bench/otherWork';

export const GET = query(({ stores, url, now }) => loadOtherWork(stores, url.searchParams.get('commission'), now));

export const POST = endpoint(startOtherSchema, (input, { stores, now }) => startOtherWork(stores, input, now));
