import { closeCommission, closeSchema } from '../../../../server/intake/lifecycle';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(closeSchema, (input, { stores, params, now }) => closeCommission(stores, params['id'], input, now));
