import Papa from 'papaparse';
import { object, type Schema } from 'yup';
import { SIZES, TECHNIQUES } from '../scheme/definitions';
import { minutesThatCount, ROW_VERDICTS, type JudgedRow } from '../time/definitions';
import { atLeast, count, id, instant, LONGEST_MINUTES, note, oneOf, optionalMinutes, parse, requiredText, share, text } from './fields';
import { InputError } from './InputError';

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
] as const;
type Column = (typeof TIME_LOG_COLUMNS)[number];

/** A value of the file that cannot be taken, where it stands. */
export interface BadCell {
  line: number;
  column: string;
  message: string;
}

/** A row of a file; it may bring the id it had in the log it was written from. */
export interface FileRow extends JudgedRow {
  id: string | null;
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

const optionalId = () => id().nullable().notRequired().defined();

const A_TIME = `a number of minutes above 0, up to ${LONGEST_MINUTES}`;

const rowSchema = object({
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
});

const NUMBERS: readonly Column[] = ['coverage', 'models', 'minutes', 'setup_minutes', 'weight', 'measured_minutes'];
const TEXTS: readonly Column[] = ['part', 'note'];
const OR_NULL: readonly Column[] = ['setup_minutes', 'weight', 'measured_minutes', 'id', 'commission_id', 'unit_id', 'step_id'];
const OPTIONAL: readonly Column[] = [...TEXTS, ...OR_NULL, 'verdict'];

/**
 * Writes rows as `neat-relay/time-log@1`: UTF-8, header row, RFC 4180 with CRLF. Rows whose minutes nobody knows are left out;
 * where the painter corrected them, what was measured stands in a column of its own.
 */
export function writeTimeLog(rows: readonly (JudgedRow & { id: string })[]): string {
  const records = rows.flatMap((row) => {
    const minutes = minutesThatCount(row);
    if (minutes === null) return [];
    return [
      [
        row.startedAt,
        row.commission,
        row.unit,
        row.part,
        row.technique,
        row.size,
        row.coverage,
        row.models,
        minutes,
        row.setupMinutes ?? '',
        row.note,
        row.weight,
        row.id,
        row.verdict,
        row.correctedMinutes === null ? '' : row.minutes,
        row.commissionId ?? '',
        row.unitId ?? '',
        row.stepId ?? '',
      ],
    ];
  });
  const cells = records.map((record) => record.map((value) => (typeof value === 'string' ? noFormula(value) : value)));
  return `${Papa.unparse({ fields: [...TIME_LOG_COLUMNS], data: cells }, { newline: '\r\n' })}\r\n`;
}

/** A spreadsheet takes a cell that begins so for a formula, and runs it; with an apostrophe before it, it is text. */
const FORMULA = /^'?[=+\-@\t\r]/;
const noFormula = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);
const withoutApostrophe = (field: string): string => (field.startsWith("'") && FORMULA.test(field.slice(1)) ? field.slice(1) : field);

/**
 * Reads a time log, its columns separated by commas, or by the semicolons or tabs that some spreadsheets write. A row with bad values is refused with its line and columns; the others are taken.
 * Throws an `InputError` when the header lacks a column, since then no row can be read.
 */
export function readTimeLog(csv: string): TimeLogReading {
  const reading: TimeLogReading = { rows: [], lines: [], bad: [], badCount: 0 };
  const delimiter = delimiterOf(csv);
  let reader: RowReader | null = null;
  let previous = -Infinity;
  eachRecord(csv, delimiter, ({ line, fields, problem }) => {
    if (reader === null) {
      reader = new RowReader(readHeader(fields), delimiter);
      return;
    }
    const bad = problem === null ? reader.take(fields, line, previous, reading) : [{ line, column: 'row', message: problem }];
    reading.badCount += bad.length;
    reading.bad.push(...bad.slice(0, Math.max(0, MOST_BAD_LISTED - reading.bad.length)));
    if (bad.length === 0) previous = Date.parse(reading.rows.at(-1)!.startedAt);
  });
  if (reader === null) throw new InputError('the file', csv, `give a time log with the header ${TIME_LOG_COLUMNS.join(',')}`);
  return reading;
}

const DELIMITERS = [',', ';', '\t'];

/** What separates the columns of the header. */
function delimiterOf(csv: string): string {
  const [header = ''] = csv.split(/[\r\n]/, 1);
  const counts = DELIMITERS.map((delimiter) => header.split(delimiter).length);
  return DELIMITERS[counts.indexOf(Math.max(...counts))]!;
}

interface CsvRecord {
  line: number;
  fields: string[];
  problem: string | null;
}

/** Tells each record with the line it begins on: a quoted field may hold line breaks. */
function eachRecord(csv: string, delimiter: string, tell: (record: CsvRecord) => void): void {
  const body = csv.replace(/^\uFEFF/, '');
  let line = 1;
  let cursor = 0;
  Papa.parse<string[]>(body, {
    delimiter,
    step: ({ data, errors, meta }) => {
      const begins = line;
      line += (body.slice(cursor, meta.cursor).match(/\r\n|\n|\r/g) ?? []).length;
      cursor = meta.cursor;
      if (data.length <= 1 && !data[0]?.trim()) return;
      const quoting = errors.find((error) => error.type === 'Quotes');
      tell({
        line: begins,
        fields: data,
        problem: quoting ? 'the quotes do not match: close every quoted field, and double quotes inside one' : null,
      });
    },
  });
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

  take(fields: string[], line: number, previous: number, reading: TimeLogReading): BadCell[] {
    if (fields.length !== this.columns.length) return [wrongLength(line, fields.length, this.columns.length)];
    const values = {} as Record<Column, never>;
    const bad: BadCell[] = [];
    for (const plan of this.plans) {
      const value = this.read(plan, fields[plan.at]);
      values[plan.column] = value as never;
      const message = check(plan, value);
      if (message !== null) bad.push({ line, column: plan.column, message });
    }
    if (bad.length > 0) return bad;
    if (Date.parse(values.started_at) < previous) {
      return [
        {
          line,
          column: 'started_at',
          message: `${String(values.started_at)} is before the row above: put the rows in the order they were started`,
        },
      ];
    }
    reading.rows.push(rowFrom(values));
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
    const value = Number(this.delimiter === ',' ? trimmed : trimmed.replace(',', '.'));
    return Number.isNaN(value) ? text : value;
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
  // The whole way to a message is long, and most values are good.
  if ((rowSchema.fields[column] as Schema).isValidSync(value, { strict: true })) return null;
  try {
    parse(rowSchema.pick([column]), { [column]: value });
    return null;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.message.replace(`${column} `, '');
  }
}

const rowFrom = (row: Record<Column, never>): FileRow => ({
  startedAt: row.started_at,
  commission: row.commission,
  unit: row.unit,
  part: row.part,
  technique: row.technique,
  size: row.size,
  coverage: row.coverage,
  models: row.models,
  weight: row.weight ?? row.models,
  minutes: row.measured_minutes ?? row.minutes,
  correctedMinutes: row.measured_minutes === null ? null : row.minutes,
  open: null,
  setupMinutes: row.setup_minutes,
  note: row.note,
  id: row.id,
  verdict: row.verdict,
  commissionId: row.commission_id,
  unitId: row.unit_id,
  stepId: row.step_id,
});
