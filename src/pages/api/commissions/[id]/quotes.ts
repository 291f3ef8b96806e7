import { endpoint } from '../../../../server/http/endpoint';
import { quoteSchema, writeQuote } from '../../../../server/money/quotes';
import { dataFolder } from '../../../../server/services';
import { taskInThread } from '../../../../server/threads/threads';

export const POST = endpoint(quoteSchema, (input, { stores, params, now }) => {
  const folder = dataFolder();
  return writeQuote(stores, params['id'], input, {
    now,
    folder,
    pdfOf: (quote) => taskInThread({ task: 'quotePdf', input: quote, folder, now }),
  });
});
