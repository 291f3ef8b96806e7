import { loadIntakeFigures } from '../../../../server/commissions/loadIntakeFigures';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadIntakeFigures(stores, params['id'], now));
