import { endpoint } from '../../../../server/http/endpoint';
import { noteUse, useSchema } from '../../../../server/schemes/library';

export const POST = endpoint(useSchema, (input, { stores, params, now }) => noteUse(stores, params['id'], input, now));
