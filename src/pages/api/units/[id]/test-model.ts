import { sendTestModel, sendTestModelSchema } from '../../../../server/testModel/sendTestModel';
import { endpoint } from '../../../../server/http/endpoint';
import { dataFolder } from '../../../../server/services';

export const POST = endpoint(sendTestModelSchema, (input, { stores, params, now }) =>
  sendTestModel(stores, params['id'], input, { now, folder: dataFolder() }),
);
