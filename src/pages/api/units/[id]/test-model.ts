import { sendTestModel, sendTestModelSchema } from '../../../../server/intake/sendTestModel';
import { endpoint } from '../../../../server/http/endpoint';
import { dataFolder } from '../../../../server/running/dataFolder';

export const POST = endpoint(sendTestModelSchema, (input, { stores, params, now }) =>
  sendTestModel(stores, params['id'], input, { now, folder: dataFolder() }),
);
