import { duplicateCommission, duplicateSchema } from '../../../../server/intake/lifecycle';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(duplicateSchema, (input, { stores, params, now }) => duplicateCommission(stores, params['id'], input, now));
