import { loadUndone } from '../../../../server/commissions/undoneNow';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadUndone(stores, params['id'], now));
