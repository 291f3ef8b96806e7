import { array, object, type InferType } from 'yup';
import { RETURN_KINDS, type Finishing } from '../../finish/definitions';
import { count, day, id, list, note, oneOf, optionalMinutes, requiredText, text, yesOrNo } from '../fields';
import { priceMinor } from './moneyFields';

const MOST_DAYS = 90;
const MOST = 500;
const MOST_MODELS = 1000;

const short = (what: string) => text(what).defined();

/** How the end of a commission is kept and sent. */
export const finishingSchema = object({
  delivery: object({
    transitDays: count(0, MOST_DAYS),
    carrierDays: array(count(0, 6)).strict().max(7).required(),
    carrier: short('the carrier'),
    customs: note(),
  }).required(),
  forDisplay: yesOrNo().required(),
  boxes: list(
    object({
      id: id(),
      name: requiredText('the name of the box'),
      layers: list(object({ id: id(), unitId: id(), models: count(0, MOST_MODELS) }), MOST),
    }),
    MOST,
  ),
  returns: list(object({ id: id(), kind: oneOf(RETURN_KINDS), what: short('what goes back'), count: count(0), packed: count(0) }), MOST),
  answers: list(object({ key: requiredText('what it answers', 1000), answer: text('an answer', 1000).defined() }), MOST),
  repairs: list(
    object({
      id: id(),
      on: day(),
      unitId: id(),
      models: count(1, MOST_MODELS),
      what: note(),
      minutes: optionalMinutes().nullable().defined(),
      priceMinor: priceMinor(),
      done: yesOrNo().required(),
    }),
    MOST,
  ),
  care: note(),
});

export const finishingOf = (parsed: InferType<typeof finishingSchema>): Finishing => parsed as Finishing;
