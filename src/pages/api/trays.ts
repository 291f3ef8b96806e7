import { query } from '../../server/http/endpoint';
import { loadTrays } from '../../server/line/loadTrays';

export const GET = query(({ stores, now }) => loadTrays(stores, now));
