import { boolean, number, object, string } from 'yup';
import { SIZES, STANDARDS, TEST_MODEL_STATES } from '../../scheme/model/definitions';
import { PAINT_KINDS } from '../../scheme/model/paintKinds';
import { atLeast, count, day, hexColour, id, list, note, oneOf, requiredText, text, yesOrNo } from '../fields';
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
  strength: atLeast(0.001, 'a strength from 0.001 to 100').max(100).optional().default(undefined),
};
export const paintSchema = object(paintFields);

/** Fields of a unit without its scheme. */
export const unitFields = {
  id: id(),
  name: requiredText('a name for the unit'),
  size: oneOf(SIZES),
  promised: count(1, MOST_MODELS),
  owned: count(0, MOST_MODELS).optional().default(0),
  counted: number().strict().integer().min(1).max(MOST_MODELS).nullable().defined(),
  countNote: note(),
  gone: list(object({ model: count(1, MOST_MODELS), in: list(id(), 500).optional().default([]) }), MOST_MODELS)
    .optional()
    .default([]),
  late: list(count(1, MOST_MODELS), MOST_MODELS).optional().default([]),
  trayLimit: count(1, MOST_MODELS),
  trayByTray: yesOrNo().optional().default(false),
  goesFirst: yesOrNo().optional().default(false),
  holder: text('what holds the models', 200).optional().default(''),
  bits: list(
    object({
      name: requiredText('a name for the bit'),
      seconds: atLeast(0, 'a number of seconds from 0 to 3600').max(3600),
      leftOff: boolean().strict().default(false),
    }),
    50,
  )
    .optional()
    .default([]),
  testModel: oneOf(TEST_MODEL_STATES),
  testedBy: id().nullable().optional().default(null),
  linked: id().nullable().optional().default(null),
};
