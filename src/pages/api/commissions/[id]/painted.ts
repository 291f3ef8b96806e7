import { loadPainted } from '../../../../server/schemes/loadScheme';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadPainted(stores, params['id'], now));
