import type { Quote } from '../../../../core/money/definitions';
import { endpoint } from '../../../../server/http/endpoint';
import { quoteSchema, writeQuote } from '../../../../server/money/quotes';
import { dataFolder } from '../../../../server/running/dataFolder';
import { taskInThread } from '../../../../server/work/threads';

export const POST = endpoint(
  quoteSchema,
  (input, { stores, params, now }) => {
    const folder = dataFolder();
    const pdfOf = (quote: Quote) => taskInThread({ task: 'quotePdf', input: quote, folder, now });
    return writeQuote(stores, params['id'], input, { now, folder, pdfOf });
  },
  // Two windows that quote at once do not get the same number.
  { isAlone: true },
);
