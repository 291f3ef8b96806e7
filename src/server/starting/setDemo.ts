import { DAY_MS } from '../../core/kernel/timeUnits';
import { boolean, object, type InferType } from 'yup';
import type { DemoQuote } from '../../data/demo/fillDemo';
import { localDay } from '../../core/kernel/localDay';
import { DEFAULT_TERMS } from '../../core/money/definitions';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import { answerQuote, keepQuote } from '../money/quotes';
import type { Stores } from '../stores/stores';
import { storesOf } from '../stores/storesOf';

/** The quote of the demo is worked out as any other, from what its log said then; it was accepted the day after. */
export const quoteDemo: DemoQuote = async (knex, commissionId, at) => {
  const stores = storesOf(knex);
  const accepted = new Date(at.getTime() + DAY_MS);
  const material = (id: string, kind: 'pots' | 'postage', what: string, amountMinor: number) => ({ id, kind, what, amountMinor });
  const terms = {
    ...DEFAULT_TERMS,
    otherMinutes: 60,
    materials: [material('demo-pots', 'pots', 'two pots of mudflat paste', 980), material('demo-post', 'postage', '', 1250)],
    depositShare: 0.25,
    words: 'Holds for 30 days. Photographs of every unit come with the models.',
  };
  await stores.quotes.saveTerms(commissionId, terms, UNSAVED);
  const quote = await keepQuote(stores, commissionId, '', at);
  await answerQuote(stores, quote.id, { answer: 'accepted', note: 'by telephone' }, accepted);
  const depositPaid = { on: localDay(accepted), amountMinor: quote.offer.price.depositMinor };
  await stores.quotes.saveTerms(commissionId, { ...terms, depositPaid }, UNSAVED + 1);
};

export const demoSchema = object({ here: boolean().strict().required() });

/** Fills an empty data folder with the demo, or empties one that holds nothing else. */
export async function setDemo(stores: Pick<Stores, 'demo'>, { here }: InferType<typeof demoSchema>, now: Date): Promise<void> {
  if (here) {
    if (!(await stores.demo.isEmpty()))
      throw new ConflictError('This data folder is not empty: see the demo with "npm run demo", which has a folder of its own.');
    await stores.demo.fill(now, quoteDemo);
    return;
  }
  if (!(await stores.demo.isAllDemo()))
    throw new ConflictError('There are commissions of your own beside the demo: delete those of the demo one by one at Intake.');
  await stores.demo.clear();
}
