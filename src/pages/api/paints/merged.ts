import { endpoint } from '../../../server/http/endpoint';
import { mergePaints, mergePaintsSchema } from '../../../server/shelf/mergePaints';

export const PUT = endpoint(mergePaintsSchema, (input, { stores, now }) => mergePaints(stores, input, now));
