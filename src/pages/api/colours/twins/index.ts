import { twinsSchema } from '../../../../server/plan/loadSharing';
import { takeTwin, takeTwinSchema } from '../../../../server/schemes/takeTwin';
import { endpoint, question } from '../../../../server/http/endpoint';
import { dataFolder } from '../../../../server/running/dataFolder';
import { taskInThread } from '../../../../server/work/threads';

export const POST = question(twinsSchema, (input, { now }) => taskInThread({ task: 'priceTwins', input, folder: dataFolder(), now }));
export const PUT = endpoint(takeTwinSchema, (input, { stores, now }) => takeTwin(stores, input, now));
