import { twinsSchema } from '../../../../server/colours/loadSharing';
import { takeTwin, takeTwinSchema } from '../../../../server/colours/takeTwin';
import { endpoint, question } from '../../../../server/http/endpoint';
import { dataFolder } from '../../../../server/services';
import { taskInThread } from '../../../../server/threads/threads';

export const POST = question(twinsSchema, (input, { now }) => taskInThread({ task: 'priceTwins', input, folder: dataFolder(), now }));
export const PUT = endpoint(takeTwinSchema, (input, { stores, now }) => takeTwin(stores, input, now));
