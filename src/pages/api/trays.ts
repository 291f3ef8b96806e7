import { query } from '../../server/http/endpoint';
import { loadTrays } from '../../server/plan/loadTrays';

export const GET = query(({ stores, now }) => loadTrays(stores, now));
