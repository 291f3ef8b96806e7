import { endpoint } from '../../../../server/http/endpoint';
import { saveOtherSchema, saveOtherWork } from '../../../../server/bench/otherWork';

export const PUT = endpoint(saveOtherSchema, (input, { stores, params, now }) => saveOtherWork(stores, params['id'], input, now));
