import { number, object } from 'yup';
import { MATERIAL_KINDS, QUOTE_ANSWERS, type QuoteTerms } from '../../money/definitions';
import { STANDARDS } from '../../scheme/model/definitions';
import { atLeast, count, day, id, instant, list, minutes, note, oneOf, requiredText, share, text } from '../fields';

/** Ten million of most currencies: sums of it stay exact. */
const MOST_MINOR = 1_000_000_000;
const MOST_MATERIALS = 100;
const MOST_UNITS = 500;
const MOST_OTHER_MINUTES = 100_000;

/** An amount in minor units that is not negative. */
export const amountMinor = () => count(0, MOST_MINOR);

/** What was agreed for a change: in minor units, negative where less is paid; null while nothing was said. */
export const priceMinor = () => number().strict().integer().min(-MOST_MINOR).max(MOST_MINOR).nullable().defined();

const signedMinor = () => number().strict().integer().min(-MOST_MINOR).max(MOST_MINOR).required();

export const termsSchema = object({
  chance: atLeast(0.5, 'a chance from 0.5 to 0.95').max(0.95),
  otherMinutes: minutes().max(MOST_OTHER_MINUTES),
  materials: list(
    object({ id: id(), kind: oneOf(MATERIAL_KINDS), what: text('what it is').defined(), amountMinor: amountMinor() }),
    MOST_MATERIALS,
  ),
  minimumMinor: amountMinor(),
  discountShare: share(),
  depositShare: share(),
  ownPriceMinor: amountMinor().nullable().notRequired().defined(),
  words: note(),
  depositPaid: object({ on: day(), amountMinor: amountMinor() }).nullable().notRequired().defined(),
  statementWords: note(),
});

const stageMinutes = object({ build: minutes(), base: minutes(), tail: minutes() });

const offerSchema = object({
  name: requiredText('the name of the commission'),
  client: requiredText('the name of the client'),
  dueOn: day(),
  standard: oneOf(STANDARDS),
  hourlyRateMinor: amountMinor(),
  currency: requiredText('a currency code', 3),
  terms: termsSchema,
  price: object({
    likely: minutes(),
    quoted: minutes(),
    otherMinutes: minutes(),
    units: list(
      object({
        unitId: id(),
        name: requiredText('the name of the unit'),
        models: count(0),
        likely: minutes(),
        safe: minutes(),
        priceMinor: signedMinor(),
        stages: stageMinutes,
      }),
      MOST_UNITS,
    ),
    workMinor: signedMinor(),
    discountMinor: signedMinor(),
    adjustedMinor: signedMinor(),
    adjustedFor: oneOf(['rounding', 'minimum', 'own price'] as const),
    otherPriceMinor: signedMinor(),
    materialsMinor: signedMinor(),
    totalMinor: signedMinor(),
    depositMinor: signedMinor(),
    holds: share(),
  }),
});

/** A quote of a commission as its file has it. */
export const quoteSchema = object({
  number: count(1),
  writtenAt: instant(),
  sentTo: text('an address').defined(),
  note: note(),
  answer: oneOf(QUOTE_ANSWERS).nullable().notRequired().defined(),
  answeredAt: instant().nullable().notRequired().defined(),
  answerNote: note(),
  offer: offerSchema,
});

/** What Yup has checked, as the core type has it. */
export const termsOf = (parsed: unknown): QuoteTerms => parsed as QuoteTerms;
