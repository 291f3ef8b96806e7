import { deleteCommission, deleteSchema } from '../../../../server/intake/lifecycle';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(deleteSchema, (input, { stores, params, now }) => deleteCommission(stores, params['id'], input, now));
