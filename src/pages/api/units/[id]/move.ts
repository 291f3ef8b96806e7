import { moveModels, moveModelsSchema } from '../../../../server/intake/moveModels';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(moveModelsSchema, (input, { stores, params, now }) => moveModels(stores, params['id'], input, now));
