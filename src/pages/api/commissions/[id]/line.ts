import { loadLine } from '../../../../server/line/loadLine';
import { query } from '../../../../server/http/endpoint';

export const GET = query(({ stores, params, now }) => loadLine(stores, params['id'], now));
