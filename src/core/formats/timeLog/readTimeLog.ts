import type { Schema } from 'yup';
import { delimiterOf, eachRecord } from '../csvRecords';
import { isInstant, parse } from '../fields';
import { readNumber } from '../readNumber';
import { InputError } from '../../kernel/InputError';
import {
  NUMBERS,
  OPTIONAL,
  OR_NULL,
  rowSchema,
  TEXTS,
  TIME_LOG_COLUMNS,
  withoutApostrophe,
  type Column,
  type FileRow,
} from './timeLogColumns';

/** A value of the file that cannot be taken, where it stands. */
export interface BadCell {
  line: number;
  column: string;
  message: string;
}

export interface TimeLogReading {
  rows: FileRow[];
  /** Line of each row taken. */
  lines: number[];
  /** The first of the values that cannot be taken: as many as a person reads. */
  bad: BadCell[];
  /** How many there are in all. */
  badCount: number;
}

const MOST_BAD_LISTED = 100;

/**
 * Reads a time log, its columns separated by commas, or by the semicolons or tabs that some spreadsheets write. A row with bad values is refused with its line and columns; the others are taken.
 * Throws an `InputError` when the header lacks a column, since then no row can be read.
 */
export function readTimeLog(csv: string): TimeLogReading {
  const reading: TimeLogReading = { rows: [], lines: [], bad: [], badCount: 0 };
  const delimiter = delimiterOf(csv);
  let reader: RowReader | null = null;
  eachRecord(csv, delimiter, ({ line, fields, problem }) => {
    if (reader === null) {
      reader = new RowReader(readHeader(fields), delimiter);
      return;
    }
    const bad = problem === null ? reader.take(fields, line, reading) : [{ line, column: 'row', message: problem }];
    reading.badCount += bad.length;
    reading.bad.push(...bad.slice(0, Math.max(0, MOST_BAD_LISTED - reading.bad.length)));
  });
  if (reader === null) throw new InputError('the file', csv, `give a time log with the header ${TIME_LOG_COLUMNS.join(',')}`);
  return reading;
}

function readHeader(fields: string[]): string[] {
  const columns = fields.map((field) => field.trim().toLowerCase());
  const missing = TIME_LOG_COLUMNS.filter((column) => !OPTIONAL.includes(column) && !columns.includes(column));
  if (missing.length > 0) throw new InputError('the header', fields.join(','), `add the column ${missing.join(', ')}`);
  return columns;
}

const wrongLength = (line: number, found: number, wanted: number): BadCell => ({
  line,
  column: 'row',
  message: `has ${found} fields: give ${wanted}, as the header does`,
});

/** So many different values of a column are remembered; a column with more of them holds a new one in every row. */
const MOST_REMEMBERED = 2000;

interface ColumnPlan {
  column: Column;
  /** Place in a row of the file; -1 where the file lacks the column. */
  at: number;
  isText: boolean;
  isNumber: boolean;
  /** What an empty cell means; undefined where it means nothing. */
  empty: null | string | undefined;
  /** Most values come again and again: what is wrong with each is looked up. */
  checked: Map<unknown, string | null>;
}

/** Reads rows of one file. */
class RowReader {
  private readonly plans: ColumnPlan[];
  /** When the last row taken was started, ms. */
  private previous = -Infinity;

  constructor(
    private readonly columns: string[],
    private readonly delimiter: string,
  ) {
    this.plans = TIME_LOG_COLUMNS.map((column) => ({
      column,
      at: columns.indexOf(column),
      isText: TEXTS.includes(column),
      isNumber: NUMBERS.includes(column),
      empty: OR_NULL.includes(column) ? null : column === 'verdict' ? 'unsure' : undefined,
      checked: new Map(),
    }));
  }

  take(fields: string[], line: number, reading: TimeLogReading): BadCell[] {
    if (fields.length !== this.columns.length) return [wrongLength(line, fields.length, this.columns.length)];
    const values: unknown[] = [];
    const bad: BadCell[] = [];
    for (const plan of this.plans) {
      const value = this.read(plan, fields[plan.at]);
      values.push(value);
      const message = check(plan, value);
      if (message !== null) bad.push({ line, column: plan.column, message });
    }
    if (bad.length > 0) return bad;
    const row = rowFrom(values as never[]);
    const at = Date.parse(row.startedAt);
    if (at < this.previous) {
      const message = `${row.startedAt} is before the row above: put the rows in the order they were started`;
      return [{ line, column: 'started_at', message }];
    }
    this.previous = at;
    reading.rows.push(row);
    reading.lines.push(line);
    return [];
  }

  private read({ isText, isNumber, empty }: ColumnPlan, field = ''): string | number | null {
    const text = withoutApostrophe(field);
    if (isText) return text;
    const trimmed = text.trim();
    if (trimmed === '') return empty === undefined ? text : empty;
    if (!isNumber) return trimmed;
    // Where commas do not separate columns, they may stand for the decimal point.
    return readNumber(trimmed, { comma: this.delimiter !== ',' }) ?? text;
  }
}

function check({ column, checked }: ColumnPlan, value: unknown): string | null {
  const known = checked.get(value);
  if (known !== undefined) return known;
  const message = problemOf(column, value);
  if (checked.size < MOST_REMEMBERED) checked.set(value, message);
  return message;
}

function problemOf(column: Column, value: unknown): string | null {
  // The whole way to a message is long, and most values are good; of times every row has another.
  if (column === 'started_at' && isInstant(String(value))) return null;
  if ((rowSchema.fields[column] as Schema).isValidSync(value, { strict: true })) return null;
  try {
    parse(rowSchema.pick([column]), { [column]: value });
    return null;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.message.replace(`${column} `, '');
  }
}

/** The row of the values of `TIME_LOG_COLUMNS`, in their order: by place they are read twice as fast as by name. */
function rowFrom(values: never[]): FileRow {
  const [startedAt, commission, unit, part, technique, size, coverage, models, minutes, setupMinutes, note, ...optional] = values;
  const [weight, id, verdict, measuredMinutes, commissionId, unitId, stepId, effort, commissionThen, unitThen, stepLike, called] = optional;
  return {
    startedAt: startedAt!,
    // The log keeps the names of the moment.
    commission: commissionThen ?? commission!,
    unit: unitThen ?? unit!,
    part: part!,
    technique: technique!,
    size: size!,
    coverage: coverage!,
    models: models!,
    weight: weight ?? models! * (effort ?? 1),
    effort: effort ?? 1,
    minutes: measuredMinutes ?? minutes!,
    correctedMinutes: measuredMinutes === null ? null : minutes!,
    open: null,
    setupMinutes: setupMinutes!,
    setupFrom: null,
    setupTo: null,
    note: note!,
    id: id!,
    verdict: verdict!,
    commissionId: commissionId!,
    unitId: unitId!,
    stepId: stepId!,
    stepLike: stepLike!,
    ...(called ? { called } : {}),
  };
}
