import { number, object, string } from 'yup';
import { PAINT_KINDS, SIZES, STANDARDS, TEST_MODEL_STATES } from '../scheme/definitions';
import { count, day, hexColour, id, note, oneOf, requiredText } from './fields';
import { dryMinutes, MOST_MODELS } from './schemeSchemas';

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

export const paintFields = {
  id: id(),
  name: requiredText('a name for the paint'),
  hex: hexColour(),
  kind: oneOf(PAINT_KINDS),
  dryMinutes: dryMinutes(),
};
export const paintSchema = object(paintFields);

/** Fields of a unit without its scheme. */
export const unitFields = {
  id: id(),
  name: requiredText('a name for the unit'),
  size: oneOf(SIZES),
  promised: count(1, MOST_MODELS),
  counted: number().strict().integer().min(1).max(MOST_MODELS).nullable().defined(),
  countNote: note(),
  trayLimit: count(1, MOST_MODELS),
  testModel: oneOf(TEST_MODEL_STATES),
};
