import { findCommission } from '../../../../../server/workshop/loadWorkshop';
import { download } from '../../../../../server/http/download';
import { query } from '../../../../../server/http/endpoint';
import { dataFolder } from '../../../../../server/running/dataFolder';
import { taskInThread } from '../../../../../server/work/threads';

/** The packing list with a label for each box, as PDF. */
export const GET = query(async ({ stores, params, now }) => {
  const { id, name } = await findCommission(stores, params['id']);
  const pdf = await taskInThread({ task: 'packingPdf', input: id, folder: dataFolder(), now });
  return download(pdf, `Packing list, ${name}.pdf`, 'application/pdf');
});
