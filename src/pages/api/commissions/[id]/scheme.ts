import { loadScheme } from '../../../../server/schemes/loadScheme';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadScheme(stores, params['id'], now));
