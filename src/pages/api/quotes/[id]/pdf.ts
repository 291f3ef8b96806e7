import { download } from '../../../../server/http/download';
import { query } from '../../../../server/http/endpoint';
import { findQuote, quoteName } from '../../../../server/money/quotes';
import { dataFolder } from '../../../../server/running/dataFolder';
import { taskInThread } from '../../../../server/work/threads';

export const GET = query(async ({ stores, params, now }) => {
  const quote = await findQuote(stores, params['id']);
  return download(
    await taskInThread({ task: 'quotePdf', input: quote, folder: dataFolder(), now }),
    `${quoteName(quote)}.pdf`,
    'application/pdf',
  );
});
