import { download } from '../../../server/http/download';
import { question } from '../../../server/http/endpoint';
import { legSheetSchema } from '../../../server/plan/loadLegSheet';
import { dataFolder } from '../../../server/running/dataFolder';
import { taskInThread } from '../../../server/work/threads';

export const POST = question(legSheetSchema, async (input, { now }) =>
  download(await taskInThread({ task: 'legSheet', input, folder: dataFolder(), now }), 'leg sheet.pdf', 'application/pdf'),
);
