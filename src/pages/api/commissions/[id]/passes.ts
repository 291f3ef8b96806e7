import { loadPasses } from '../../../../server/schemes/loadScheme';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadPasses(stores, params['id'], now));
