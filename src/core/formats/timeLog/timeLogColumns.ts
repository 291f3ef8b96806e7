import { object } from 'yup';
import { SIZES } from '../../scheme/model/definitions';
import { TECHNIQUES } from '../../scheme/model/techniques';
import { ROW_VERDICTS, type JudgedRow } from '../../log/definitions';
import { atLeast, count, id, instant, LONGEST_MINUTES, note, oneOf, optionalMinutes, requiredText, share, text } from '../fields';

export const TIME_LOG_COLUMNS = [
  'started_at',
  'commission',
  'unit',
  'part',
  'technique',
  'size',
  'coverage',
  'models',
  'minutes',
  'setup_minutes',
  'note',
  'weight',
  'id',
  'verdict',
  'measured_minutes',
  'commission_id',
  'unit_id',
  'step_id',
  'effort',
  'commission_then',
  'unit_then',
  'step_like',
  'called',
] as const;
export type Column = (typeof TIME_LOG_COLUMNS)[number];

/** A row of a file; it may bring the id it had in the log it was written from. */
export interface FileRow extends JudgedRow {
  id: string | null;
}

const optionalId = () => id().nullable().notRequired().defined();

const A_TIME = `a number of minutes above 0, up to ${LONGEST_MINUTES}`;

/** One row by columns. */
export const rowSchema = object({
  started_at: instant(),
  commission: requiredText('the name of a commission'),
  unit: requiredText('the name of a unit'),
  part: text('the name of a part').defined(),
  technique: oneOf(TECHNIQUES),
  size: oneOf(SIZES),
  coverage: share(),
  models: count(1),
  minutes: atLeast(0.001, A_TIME).max(LONGEST_MINUTES),
  setup_minutes: optionalMinutes().nullable().defined(),
  note: note(),
  weight: atLeast(0.001, 'a number of models above 0').max(1_000_000).nullable().defined(),
  id: optionalId(),
  verdict: oneOf(ROW_VERDICTS),
  measured_minutes: optionalMinutes().nullable().defined(),
  commission_id: optionalId(),
  unit_id: optionalId(),
  step_id: optionalId(),
  effort: atLeast(0.001, 'a share of a coat above 0').max(1000).nullable().defined(),
  commission_then: text('the name the commission had').nullable().defined(),
  unit_then: text('the name the unit had').nullable().defined(),
  step_like: optionalId(),
  called: text('the name of the technique', 60).nullable().defined(),
});

export const NUMBERS: readonly Column[] = ['coverage', 'models', 'minutes', 'setup_minutes', 'weight', 'measured_minutes', 'effort'];
export const TEXTS: readonly Column[] = ['part', 'note'];
export const OR_NULL: readonly Column[] = [
  'setup_minutes',
  'weight',
  'measured_minutes',
  'id',
  'commission_id',
  'unit_id',
  'step_id',
  'effort',
  'commission_then',
  'unit_then',
  'step_like',
  'called',
];
export const OPTIONAL: readonly Column[] = [...TEXTS, ...OR_NULL, 'verdict'];

/**
 * A spreadsheet takes a cell that begins so for a formula, and runs it; with an apostrophe before it, it is text. One more goes before
 * those that are there, so that every text comes back as it was.
 */
const FORMULA = /^'*[=+\-@\t\r]/;
export const noFormula = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);
export const withoutApostrophe = (field: string): string =>
  field.startsWith("'") && FORMULA.test(field.slice(1)) ? field.slice(1) : field;
