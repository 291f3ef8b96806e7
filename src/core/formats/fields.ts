import {
  array,
  boolean,
  mixed,
  number,
  string,
  ValidationError,
  type AnyObject,
  type ISchema,
  type InferType,
  type Message,
  type Schema,
} from 'yup';
import { InputError, showValue } from '../kernel/InputError';

/** Message of a Yup check in our two halves. */
export const remedy =
  (text: string): Message =>
  ({ path, originalValue }: { path: string; originalValue?: unknown }) =>
    `${path || 'the input'} is ${showValue(originalValue)}: ${text}`;

const LONGEST_TEXT = 200;
const LONGEST_NOTE = 4000;

export const text = (what: string, longest = LONGEST_TEXT) =>
  string()
    .strict()
    .typeError(remedy(`give ${what}`))
    .max(longest, remedy(`use at most ${longest} characters`));

export const requiredText = (what: string, longest = LONGEST_TEXT) =>
  text(what, longest)
    .required(remedy(`give ${what}`))
    .matches(/\S/, remedy(`give ${what}`));

export const textOrNull = (what: string) =>
  text(what)
    .nullable()
    .defined(remedy(`give ${what}, or null`));

export const note = () => text('a note', LONGEST_NOTE).defined(remedy('give a note, or an empty text'));

const anyNumber = (what: string) =>
  number()
    .strict()
    .typeError(remedy(`give ${what}`))
    .test('finite', remedy(`give ${what}`), (value) => value == null || Number.isFinite(value));

export const atLeast = (least: number, what: string) =>
  anyNumber(what)
    .min(least, remedy(`give ${what}`))
    .required(remedy(`give ${what}`));

/** Nearly two years: nothing is painted, dries or rests for longer, and sums of it stay exact. */
export const LONGEST_MINUTES = 1_000_000;
const A_TIME = `a number of minutes from 0 to ${LONGEST_MINUTES}`;

export const minutes = () => atLeast(0, A_TIME).max(LONGEST_MINUTES, remedy(`give ${A_TIME}`));
export const optionalMinutes = () =>
  anyNumber(A_TIME)
    .min(0, remedy(`give ${A_TIME}`))
    .max(LONGEST_MINUTES, remedy(`give ${A_TIME}`));

export const count = (least: number, most = 1_000_000) => {
  const what = `a whole number from ${least} to ${most}`;
  return atLeast(least, what)
    .max(most, remedy(`give ${what}`))
    .integer(remedy(`give ${what}`));
};

export const share = () => atLeast(0, 'a share from 0 to 1').max(1, remedy('give a share from 0 to 1'));

export const yesOrNo = () => boolean().strict().typeError(remedy('give true or false'));

export const oneOf = <T extends string>(values: readonly T[]) =>
  mixed<T>()
    .required(remedy(`give one of ${values.join(', ')}`))
    .oneOf([...values], remedy(`give one of ${values.join(', ')}`));

export const literal = <T extends string>(value: T) => oneOf([value]);

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
export const day = () =>
  string()
    .strict()
    .typeError(remedy('give a day as 2026-11-30'))
    .required(remedy('give a day as 2026-11-30'))
    .matches(DAY, remedy('give a day as 2026-11-30'))
    .test('real-day', remedy('give a day that the calendar has'), (value) => !value || isRealDay(value));

const isRealDay = (text: string) => {
  const date = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text);
};

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/;
/** A date such as 31 February would silently become one of March. */
export const isInstant = (value: string) => INSTANT.test(value) && !Number.isNaN(Date.parse(value)) && isRealDay(value.slice(0, 10));
export const instant = () =>
  string()
    .strict()
    .typeError(remedy('give a time as 2026-11-30T19:00:00Z'))
    .required(remedy('give a time as 2026-11-30T19:00:00Z'))
    .test('instant', remedy('give a time as 2026-11-30T19:00:00Z'), (value) => !value || isInstant(value));

export const clockTime = () =>
  string()
    .strict()
    .required(remedy('give a time of day as 19:30'))
    .matches(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, remedy('give a time of day as 19:30'));

export const hexColour = () =>
  string()
    .strict()
    .required(remedy('give a colour as #a1b2c3'))
    .matches(/^#[0-9a-f]{6}$/, remedy('give a colour as #a1b2c3'));

export const address = () =>
  string()
    .strict()
    .trim()
    .required(remedy('give the address of the client'))
    .email(remedy('give an address as name@example.org'))
    .max(LONGEST_TEXT, remedy(`use at most ${LONGEST_TEXT} characters`));

/** Ids are made by the program (ULIDs) or by a hand-written file; short, and safe in an address. */
export const id = () =>
  string()
    .strict()
    .typeError(remedy('give an id'))
    .required(remedy('give an id'))
    .matches(/^[\w.:#@+-]{1,80}$/, remedy('give an id of up to 80 letters, digits and . : # @ + - _'));

export const list = <T>(of: ISchema<T, AnyObject>, most = 5000, least = 0) =>
  array(of)
    .strict()
    .typeError(remedy('give a list'))
    .required(remedy('give a list'))
    .min(least, remedy(`give at least ${least} of them`))
    .max(most, remedy(`give at most ${most} entries`));

export const optionalList = <T>(of: ISchema<T, AnyObject>, most: number) =>
  array(of)
    .strict()
    .typeError(remedy('give a list'))
    .max(most, remedy(`give at most ${most} entries`));

/** The one door for outside data: checks it by a schema and drops fields the schema does not know, or throws an `InputError`. */
export function parse<S extends Schema>(schema: S, value: unknown): InferType<S> {
  try {
    schema.validateSync(value, { strict: true, abortEarly: true });
    return schema.cast(value, { stripUnknown: true });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    throw asInputError(error);
  }
}

function asInputError(error: ValidationError): InputError {
  const field = error.path || 'the input';
  const value: unknown = error.params && 'originalValue' in error.params ? error.params.originalValue : error.value;
  const prefix = `${field} is ${showValue(value)}: `;
  const wanted = error.message.startsWith(prefix) ? error.message.slice(prefix.length) : 'give a value of the kind the format describes';
  return new InputError(field, value, wanted);
}
