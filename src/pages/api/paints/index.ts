import { endpoint } from '../../../server/http/endpoint';
import { savePaint, savePaintSchema } from '../../../server/shelf/savePaint';

export const PUT = endpoint(savePaintSchema, (input, { stores }) => savePaint(stores, input));
