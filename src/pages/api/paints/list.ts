import { endpoint } from '../../../server/http/endpoint';
import { addPaints, addPaintsSchema } from '../../../server/shelf/addPaints';

export const POST = endpoint(addPaintsSchema, (input, { stores }) => addPaints(stores, input));
