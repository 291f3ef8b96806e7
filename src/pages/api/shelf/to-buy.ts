import { download } from '../../../server/http/download';
import { query } from '../../../server/http/endpoint';
import { dataFolder } from '../../../server/running/dataFolder';
import { taskInThread } from '../../../server/work/threads';

/** What has to be bought, to take along: of all open work, or with `?of=` of one commission. */
export const GET = query(async ({ url, now }) => {
  const pdf = await taskInThread({ task: 'buyingPdf', input: { of: url.searchParams.get('of') }, folder: dataFolder(), now });
  return download(pdf, 'To buy.pdf', 'application/pdf');
});
