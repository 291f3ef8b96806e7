import { question } from '../../../server/http/endpoint';
import { setsSchema } from '../../../server/plan/loadSets';
import { dataFolder } from '../../../server/running/dataFolder';
import { taskInThread } from '../../../server/work/threads';

export const POST = question(setsSchema, (input, { now }) => taskInThread({ task: 'lineSets', input, folder: dataFolder(), now }));
