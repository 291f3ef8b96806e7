import { question } from '../../../server/http/endpoint';
import { dataFolder } from '../../../server/services';
import { taskInThread } from '../../../server/threads/threads';
import { chooseSchema } from '../../../server/workshop/choice';

export const POST = question(chooseSchema, (input, { now }) => taskInThread({ task: 'lineSets', input, folder: dataFolder(), now }));
