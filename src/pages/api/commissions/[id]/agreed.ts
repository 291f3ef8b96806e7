import { agreedSchema, setAgreed } from '../../../../server/intake/scope';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(agreedSchema, (input, { stores, params, now }) => setAgreed(stores, params['id'], input, now));
