import { judgeTestModel, testModelSchema } from '../../../../server/commissions/judgeTestModel';
import { endpoint } from '../../../../server/http/endpoint';

export const PUT = endpoint(testModelSchema, (input, { stores, params }) => judgeTestModel(stores, params['id'], input));
