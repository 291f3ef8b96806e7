import { query } from '../../../server/http/endpoint';
import { loadDraws } from '../../../server/plan/loadDraws';

export const GET = query(({ stores, now }) => loadDraws(stores, now));
