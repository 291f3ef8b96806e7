import { loadEstimate } from '../../../../server/estimate/loadEstimate';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadEstimate(stores, params['id'], now));
