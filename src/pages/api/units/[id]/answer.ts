import { answerSchema, answerTestModel } from '../../../../server/intake/answerTestModel';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(answerSchema, (input, { stores, params, now }) => answerTestModel(stores, params['id'], input, now));
