import { findCommission } from '../../../../../server/workshop/loadWorkshop';
import { download } from '../../../../../server/http/download';
import { query } from '../../../../../server/http/endpoint';
import { dataFolder } from '../../../../../server/running/dataFolder';
import { taskInThread } from '../../../../../server/work/threads';

/** The hand-over sheet as PDF; with `?for=shelf` the painter's own: paints and mixes alone. */
export const GET = query(async ({ stores, params, url, now }) => {
  const { id, name } = await findCommission(stores, params['id']);
  const isShort = url.searchParams.get('for') === 'shelf';
  const pdf = await taskInThread({ task: 'handOverPdf', input: { id, isShort }, folder: dataFolder(), now });
  return download(pdf, `${isShort ? 'Paints' : 'Hand-over'}, ${name}.pdf`, 'application/pdf');
});
