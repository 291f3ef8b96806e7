import { agreedQuote } from '../../../../../core/money/definitions';
import { handOverSchema, writeHandOver } from '../../../../../server/finish/handOver';
import { quoteName } from '../../../../../server/money/quotes';
import { endpoint } from '../../../../../server/http/endpoint';
import { dataFolder } from '../../../../../server/running/dataFolder';
import { taskInThread } from '../../../../../server/work/threads';
import { findCommission } from '../../../../../server/workshop/loadWorkshop';

/** The letter that goes with the parcel, into the outbox. */
export const POST = endpoint(handOverSchema, async (input, { stores, params, now }) => {
  const { id } = await findCommission(stores, params['id']);
  const folder = dataFolder();
  const quote = agreedQuote(await stores.quotes.ofCommission(id));
  return writeHandOver(stores, id, input, {
    now,
    folder,
    sheetPdf: () => taskInThread({ task: 'handOverPdf', input: { id, isShort: false }, folder, now }),
    listPdf: () => taskInThread({ task: 'packingPdf', input: id, folder, now }),
    money: quote && {
      statementPdf: () => taskInThread({ task: 'statementPdf', input: id, folder, now }),
      quote: { name: quoteName(quote), pdf: () => taskInThread({ task: 'quotePdf', input: quote, folder, now }) },
    },
  });
});
