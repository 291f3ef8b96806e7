import { createCommission, newCommissionSchema } from '../../../server/intake/createCommission';
import { endpoint } from '../../../server/http/endpoint';

export const POST = endpoint(newCommissionSchema, (input, { stores, now }) => createCommission(stores, input, now));
