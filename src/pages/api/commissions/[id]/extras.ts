import { endpoint } from '../../../../server/http/endpoint';
import { addExtra, extraSchema } from '../../../../server/money/extras';

export const POST = endpoint(extraSchema, (input, { stores, params, now }) => addExtra(stores, params['id'], input, now));
