import Papa from 'papaparse';
import { object } from 'yup';
import { SIZES, TECHNIQUES } from '../scheme/definitions';
import { minutesThatCount, ROW_VERDICTS, type JudgedRow } from '../time/definitions';
import { atLeast, count, id, instant, note, oneOf, optionalMinutes, parse, requiredText, share, text } from './fields';
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
  bad: BadCell[];
}

const optionalId = () => id().nullable().notRequired().defined();

const rowSchema = object({
  started_at: instant(),
  commission: requiredText('the name of a commission'),
  unit: requiredText('the name of a unit'),
  part: text('the name of a part').defined(),
  technique: oneOf(TECHNIQUES),
  size: oneOf(SIZES),
  coverage: share(),
  models: count(1),
  minutes: atLeast(0.001, 'a number of minutes above 0'),
  setup_minutes: optionalMinutes().nullable().defined(),
  note: note(),
  weight: atLeast(0.001, 'a number of models above 0').nullable().defined(),
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
  return `${Papa.unparse({ fields: [...TIME_LOG_COLUMNS], data: records }, { newline: '\r\n' })}\r\n`;
}

/**
 * Reads a time log. A row with bad values is refused with its line and columns; the others are taken.
 * Throws an `InputError` when the header lacks a column, since then no row can be read.
 */
export function readTimeLog(csv: string): TimeLogReading {
  const reading: TimeLogReading = { rows: [], lines: [], bad: [] };
  let columns: string[] | null = null;
  let previous = -Infinity;
  for (const { line, fields, problem } of records(csv)) {
    if (columns === null) {
      columns = readHeader(fields);
      continue;
    }
    if (problem) {
      reading.bad.push({ line, column: 'row', message: problem });
      continue;
    }
    const bad =
      fields.length === columns.length
        ? takeRow(columns, fields, line, previous, reading)
        : [wrongLength(line, fields.length, columns.length)];
    reading.bad.push(...bad);
    if (bad.length === 0) previous = Date.parse(reading.rows.at(-1)!.startedAt);
  }
  if (columns === null) throw new InputError('the file', csv, `give a time log with the header ${TIME_LOG_COLUMNS.join(',')}`);
  return reading;
}

interface CsvRecord {
  line: number;
  fields: string[];
  problem: string | null;
}

/** Records with the line each begins on: a quoted field may hold line breaks. */
function records(csv: string): CsvRecord[] {
  const body = csv.replace(/^\uFEFF/, '');
  const found: CsvRecord[] = [];
  let line = 1;
  let cursor = 0;
  Papa.parse<string[]>(body, {
    delimiter: ',',
    step: ({ data, errors, meta }) => {
      const quoting = errors.find((error) => error.type === 'Quotes');
      if (data.length > 1 || data[0]?.trim()) {
        found.push({
          line,
          fields: data,
          problem: quoting ? 'the quotes do not match: close every quoted field, and double quotes inside one' : null,
        });
      }
      line += (body.slice(cursor, meta.cursor).match(/\r\n|\n|\r/g) ?? []).length;
      cursor = meta.cursor;
    },
  });
  return found;
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

function takeRow(columns: string[], fields: string[], line: number, previous: number, reading: TimeLogReading): BadCell[] {
  const values = Object.fromEntries(TIME_LOG_COLUMNS.map((column) => [column, readField(column, fields[columns.indexOf(column)])]));
  const bad = TIME_LOG_COLUMNS.flatMap((column) => checkField(column, values[column], line));
  if (bad.length > 0) return bad;
  const row = values as Record<Column, never>;
  if (Date.parse(row.started_at) < previous) {
    return [
      {
        line,
        column: 'started_at',
        message: `${String(row.started_at)} is before the row above: put the rows in the order they were started`,
      },
    ];
  }
  reading.rows.push({
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
  reading.lines.push(line);
  return [];
}

function readField(column: Column, field = ''): string | number | null {
  if (TEXTS.includes(column)) return field;
  if (field.trim() === '') return OR_NULL.includes(column) ? null : column === 'verdict' ? 'unsure' : field;
  if (!NUMBERS.includes(column)) return field.trim();
  const value = Number(field);
  return Number.isNaN(value) ? field : value;
}

function checkField(column: Column, value: unknown, line: number): BadCell[] {
  try {
    parse(rowSchema.pick([column]), { [column]: value });
    return [];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return [{ line, column, message: error.message.replace(`${column} `, '') }];
  }
}
