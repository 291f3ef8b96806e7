import { demoSchema } from '../../server/demo';
import { endpoint } from '../../server/http/endpoint';
import { dataFolder } from '../../server/services';
import { taskInThread } from '../../server/threads/threads';

export const PUT = endpoint(demoSchema, (input, { now }) => taskInThread({ task: 'setDemo', input, folder: dataFolder(), now }), {
  isAlone: true,
});
