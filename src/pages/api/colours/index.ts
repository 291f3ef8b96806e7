import { query } from '../../../server/http/endpoint';
import { loadColours } from '../../../server/plan/loadColours';

export const GET = query(({ stores, now }) => loadColours(stores, now));
