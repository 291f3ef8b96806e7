import { endpoint } from '../../../server/http/endpoint';
import { judgeRow, judgeRowSchema } from '../../../server/timeLog/loadLog';

export const PUT = endpoint(judgeRowSchema, (input, { stores, params }) => judgeRow(stores, params['id'], input));
