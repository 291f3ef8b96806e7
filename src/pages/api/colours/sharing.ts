import { query } from '../../../server/http/endpoint';
import { dataFolder } from '../../../server/starting/services';
import { taskInThread } from '../../../server/work/threads';

export const GET = query(({ now }) => taskInThread({ task: 'sharing', input: null, folder: dataFolder(), now }));
