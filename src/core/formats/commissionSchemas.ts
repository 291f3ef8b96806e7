import { number, object, string } from 'yup';
import { PAINT_KINDS, SIZES, STANDARDS, TECHNIQUES, TEST_MODEL_STATES, WHO } from '../scheme/definitions';
import { atLeast, count, day, hexColour, id, list, note, oneOf, optionalMinutes, requiredText } from './fields';

/** Fields of a commission as they come in from a form or a file. */
export const commissionFields = {
  name: requiredText('a name for the commission'),
  client: requiredText('the name of the client'),
  dueOn: day(),
  standard: oneOf(STANDARDS),
  hourlyRateMinor: count(0, 100_000_00),
  currency: string()
    .strict()
    .required()
    .matches(/^[A-Z]{3}$/, 'give a currency code as EUR'),
  note: note(),
};

const dryMinutes = optionalMinutes().max(100_000).nullable().defined();

export const paintFields = {
  id: id(),
  name: requiredText('a name for the paint'),
  hex: hexColour(),
  kind: oneOf(PAINT_KINDS),
  dryMinutes,
};
export const paintSchema = object(paintFields);

const MOST_MODELS = 1000;

/** Fields of a unit without its scheme. */
export const unitFields = {
  id: id(),
  name: requiredText('a name for the unit'),
  size: oneOf(SIZES),
  promised: count(1, MOST_MODELS),
  counted: number().strict().integer().min(1).max(MOST_MODELS).nullable().defined(),
  countNote: note(),
  leaders: count(0, MOST_MODELS),
  trayLimit: count(1, MOST_MODELS),
  testModel: oneOf(TEST_MODEL_STATES),
};

const step = object({
  id: id(),
  technique: oneOf(TECHNIQUES),
  paintId: id().nullable().notRequired().defined(),
  coats: count(1, 10),
  coverage: atLeast(0.001, 'a share above 0 and up to 1').max(1),
  who: oneOf(WHO),
  standard: oneOf(STANDARDS),
  dryMinutes,
});

const part = object({ id: id(), name: requiredText('a name for the part'), steps: list(step, 100) });

export const schemeSchema = object({ parts: list(part, 60), allOver: list(step, 60) });
