import { loadFigures } from '../../../server/bench/loadFigures';
import { query } from '../../../server/http/endpoint';

export const GET = query(({ stores, now }) => loadFigures(stores, now));
