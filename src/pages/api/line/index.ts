import { endpoint } from '../../../server/http/endpoint';
import { ownLineSchema, saveOwnLine } from '../../../server/line/saveOwnLine';

export const PUT = endpoint(ownLineSchema, (input, { stores, now }) => saveOwnLine(stores, input, now));
