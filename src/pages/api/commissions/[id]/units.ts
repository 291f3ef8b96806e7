import { copyUnits, copyUnitsSchema, earlierCommissions } from '../../../../server/intake/earlierUnits';
import { endpoint, query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params }) => earlierCommissions(stores, params['id']));
export const POST = endpoint(copyUnitsSchema, (input, { stores, params, now }) => copyUnits(stores, params['id'], input, now));
