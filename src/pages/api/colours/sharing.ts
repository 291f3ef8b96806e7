import { query } from '../../../server/http/endpoint';
import { dataFolder } from '../../../server/running/dataFolder';
import { taskInThread } from '../../../server/work/threads';

export const GET = query(({ now }) => taskInThread({ task: 'sharing', input: null, folder: dataFolder(), now }));
