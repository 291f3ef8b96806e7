import { query } from '../../../server/http/endpoint';
import { dataFolder } from '../../../server/services';
import { taskInThread } from '../../../server/threads/threads';

export const GET = query(({ now }) => taskInThread({ task: 'sharing', input: null, folder: dataFolder(), now }));
