import { loadEstimate } from '../../../../server/plan/loadEstimate';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadEstimate(stores, params['id'], now));
