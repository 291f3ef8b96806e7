import { query } from '../../server/http/endpoint';
import { loadLog } from '../../server/timeLog/loadLog';

export const GET = query(({ stores, now }) => loadLog(stores, now));
