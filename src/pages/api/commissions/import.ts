import { anyJson, importCommission } from '../../../server/commissions/commissionFile';
import { endpoint } from '../../../server/http/endpoint';

const LIMIT_BYTES = 50_000_000;

export const POST = endpoint(anyJson, (input, { stores, now }) => importCommission(stores, input, now), { limitBytes: LIMIT_BYTES });
