import { linkSchema, linkSchemes } from '../../../../server/schemes/linkSchemes';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(linkSchema, (input, { stores, params, now }) => linkSchemes(stores, params['id'], input, now));
