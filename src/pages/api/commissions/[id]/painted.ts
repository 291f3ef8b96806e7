import { loadPainted } from '../../../../server/commissions/loadScheme';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadPainted(stores, params['id'], now));
