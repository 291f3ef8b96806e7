import { demoSchema } from '../../server/starting/setDemo';
import { endpoint } from '../../server/http/endpoint';
import { dataFolder } from '../../server/running/dataFolder';
import { taskInThread } from '../../server/work/threads';

export const PUT = endpoint(demoSchema, (input, { now }) => taskInThread({ task: 'setDemo', input, folder: dataFolder(), now }), {
  isAlone: true,
});
