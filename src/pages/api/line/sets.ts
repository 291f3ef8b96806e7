import { question } from '../../../server/http/endpoint';
import { setsSchema } from '../../../server/line/loadSets';
import { dataFolder } from '../../../server/services';
import { taskInThread } from '../../../server/threads/threads';

export const POST = question(setsSchema, (input, { now }) => taskInThread({ task: 'lineSets', input, folder: dataFolder(), now }));
