import { loadPasses } from '../../../../server/commissions/loadScheme';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadPasses(stores, params['id'], now));
