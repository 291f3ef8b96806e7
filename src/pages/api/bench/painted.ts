import { loadPainted } from '../../../server/bench/loadPainted';
import { query } from '../../../server/http/endpoint';

export const GET = query(({ stores, now }) => loadPainted(stores, now));
