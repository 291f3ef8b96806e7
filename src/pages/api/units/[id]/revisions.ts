import { keepByHand, revisionSchema } from '../../../../server/schemes/revisions';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(revisionSchema, (input, { stores, params, now }) => keepByHand(stores, params['id'], input, now));
