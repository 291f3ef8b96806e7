import { loadFinish } from '../../../../../server/finish/loadFinish';
import { saveFinishing, saveFinishingSchema } from '../../../../../server/finish/saveFinishing';
import { endpoint, query } from '../../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadFinish(stores, params['id'], now));

export const PUT = endpoint(saveFinishingSchema, (input, { stores, params }) => saveFinishing(stores, params['id'], input));
