import { settlePot, settleSchema, tryOnSchema, tryPot } from '../../../../server/bench/trials';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(tryOnSchema, (input, { stores, params, now }) => tryPot(stores, params['id'], input, now));
export const PUT = endpoint(settleSchema, (input, { stores, params, now }) => settlePot(stores, params['id'], input, now));
