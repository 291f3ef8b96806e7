import { endpoint } from '../../../../server/http/endpoint';
import { saveTrays, saveTraysSchema } from '../../../../server/plan/saveTrays';

export const PUT = endpoint(saveTraysSchema, (input, { stores, params }) => saveTrays(stores, params['id'], input));
