import { loadUndone } from '../../../../server/plan/undoneNow';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadUndone(stores, params['id'], now));
