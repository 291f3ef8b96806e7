import { query } from '../../server/http/endpoint';
import { loadToday } from '../../server/today/loadToday';

export const GET = query(({ stores, now }) => loadToday(stores, now));
