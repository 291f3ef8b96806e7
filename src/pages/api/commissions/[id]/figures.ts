import { loadIntakeFigures } from '../../../../server/intake/loadIntakeFigures';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadIntakeFigures(stores, params['id'], now));
