import { undoTwin, undoTwinSchema } from '../../../../server/schemes/takeTwin';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(undoTwinSchema, (input, { stores, now }) => undoTwin(stores, input, now));
