import { saveScheme, saveSchemeSchema } from '../../../../server/commissions/saveScheme';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(saveSchemeSchema, (input, { stores, params, now }) => saveScheme(stores, params['id'], input, now));
