import { scopeSchema, settleScope } from '../../../../server/intake/scope';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(scopeSchema, (input, { stores, params }) => settleScope(stores, params['id'], input));
