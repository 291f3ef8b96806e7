import { object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { InputError } from '../../core/kernel/InputError';
import { address, note, oneOf } from '../../core/formats/fields';
import { amountMinor } from '../../core/formats/commission/moneyFields';
import { decimalsOf, minorPerMajor } from '../../core/money/currency';
import { QUOTE_ANSWERS, type Offer, type Quote } from '../../core/money/definitions';
import { ConflictError, NotFoundError } from '../stores/errors';
import { regards } from '../mail/regards';
import { putInOutbox } from '../mail/putInOutbox';
import type { Stores } from '../stores/stores';
import { offerNow } from './loadMoney';

export const quoteSchema = object({
  /** Null keeps it as a revision without a letter. */
  to: address().nullable().defined(),
  note: note(),
  /** The price that was looked at: no other is sent. */
  totalMinor: amountMinor(),
});

interface Around {
  now: Date;
  folder: string;
  /** The quote as it is printed. */
  pdfOf: (quote: Quote) => Promise<Uint8Array>;
}

/** Writes the quote down as it is now, as the next revision. */
export async function keepQuote(stores: Stores, id: string | undefined, note: string, now: Date): Promise<Quote> {
  const quote = await nextQuote(stores, id, note, now);
  await stores.quotes.put(quote);
  return quote;
}

/** The same of the price that was looked at; with an address the letter goes into the outbox, the quote attached as PDF. */
export async function writeQuote(
  stores: Stores,
  id: string | undefined,
  input: InferType<typeof quoteSchema>,
  { now, folder, pdfOf }: Around,
): Promise<Quote> {
  const next = await nextQuote(stores, id, input.note, now);
  const { price, currency } = next.offer;
  if (price.totalMinor !== input.totalMinor)
    throw new ConflictError(
      `The price is ${amountText(price.totalMinor, currency)} now, not ${amountText(input.totalMinor, currency)}, so nothing was written: look at it, then quote again.`,
    );
  if (input.to === null) {
    await stores.quotes.put(next);
    return next;
  }
  const quote = { ...next, sentTo: input.to };
  const { painter } = await stores.houseRules.load();
  const letter = {
    from: painter.name,
    to: input.to,
    subject: `Quote ${quote.number}: ${quote.offer.name}`,
    at: now,
    text: letterText(quote.offer, input.note, painter.name),
    files: [{ name: `${quoteName(quote)}.pdf`, bytes: await pdfOf(quote), type: 'application/pdf' as const }],
  };
  const mailId = await putInOutbox(stores, quote.commissionId, letter, folder, (within, mail) =>
    within.quotes.put({ ...quote, mailId: mail }),
  );
  return { ...quote, mailId };
}

async function nextQuote(stores: Stores, id: string | undefined, note: string, now: Date): Promise<Quote> {
  const { commission, offer } = await offerNow(stores, id, now);
  if (commission.closedAt !== null)
    throw new ConflictError(`${commission.name} is handed over: open it again, or make a like order and quote that.`);
  if (offer.price.units.every(({ likely }) => likely === 0))
    throw new InputError('units', offer.price.units.length, 'give a unit a scheme first: there is nothing to price');
  return {
    id: ulid(now.getTime()),
    commissionId: commission.id,
    number: ((await stores.quotes.ofCommission(commission.id)).at(-1)?.number ?? 0) + 1,
    writtenAt: now.toISOString(),
    sentTo: '',
    mailId: null,
    note,
    answer: null,
    answeredAt: null,
    answerNote: '',
    offer,
  };
}

export const quoteName = ({ number, offer }: Pick<Quote, 'number' | 'offer'>): string => `Quote ${number}, ${offer.name}`;

const letterText = ({ client, name, price, currency }: Offer, said: string, painter: string): string =>
  [
    `Dear ${client},`,
    `here is my quote for ${name}: ${amountText(price.totalMinor, currency)} in all. The lines are in the document attached.`,
    ...(said.trim() === '' ? [] : [said.trim()]),
    'Please let me know whether you accept it, or what you would like changed.',
    regards(painter),
  ].join('\n\n');

const amountText = (minor: number, currency: string): string =>
  `${(minor / minorPerMajor(currency)).toFixed(decimalsOf(currency))} ${currency}`;

export const quoteAnswerSchema = object({ answer: oneOf(QUOTE_ANSWERS).nullable().defined(), note: note() });

/** Writes down what the client said to a quote; null takes that back. With the first that is accepted the scope is agreed. */
export async function answerQuote(
  stores: Stores,
  id: string | undefined,
  { answer, note: answerNote }: InferType<typeof quoteAnswerSchema>,
  now: Date,
): Promise<Quote> {
  const quote = await findQuote(stores, id);
  const answered: Quote = { ...quote, answer, answeredAt: answer === null ? null : now.toISOString(), answerNote };
  const commission = await stores.commissions.find(quote.commissionId);
  await stores.allOrNothing(async (within) => {
    await within.quotes.put(answered);
    if (answer === 'accepted' && commission?.agreedAt === null) await within.commissions.setAgreed(commission.id, now.toISOString());
  });
  return answered;
}

export async function findQuote(stores: Pick<Stores, 'quotes'>, id: string | undefined): Promise<Quote> {
  const quote = await stores.quotes.find(id ?? '');
  if (!quote) throw new NotFoundError(`There is no quote ${id}: its commission may have been deleted. Reload the page.`);
  return quote;
}
