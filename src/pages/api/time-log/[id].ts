import { endpoint } from '../../../server/http/endpoint';
import { judgeRow, judgeRowSchema } from '../../../server/ledger/loadLog';

export const PUT = endpoint(judgeRowSchema, (input, { stores, params }) => judgeRow(stores, params['id'], input));
