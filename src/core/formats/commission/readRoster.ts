import { SIZE_LABELS, SIZES, type Size } from '../../scheme/model/definitions';
import { delimiterOf, eachRecord } from '../csvRecords';
import { readNumber } from '../readNumber';
import { InputError } from '../../kernel/InputError';
import { MOST_MODELS } from '../scheme/schemeSchemas';

/** What a column of a roster may say. */
export type RosterField = 'name' | 'models' | 'size';
/** Place of the column that says it; null where none does. */
export type RosterColumns = Record<RosterField, number | null>;

export interface RosterTable {
  header: string[];
  rows: { line: number; fields: string[]; problem: string | null }[];
}

export interface NewUnit {
  name: string;
  promised: number;
  size: Size;
}

export interface BadRosterCell {
  line: number;
  column: string;
  message: string;
}

const MOST_ROWS = 500;

/**
 * Reads a list of units, its columns separated by commas, semicolons or tabs; what each column says is chosen afterwards. Rows copied
 * without their header are known by the number in the first, and get one by what stands in it. Throws an `InputError`.
 */
export function readRoster(csv: string): RosterTable {
  const rows: RosterTable['rows'] = [];
  eachRecord(csv, delimiterOf(csv), (record) => {
    if (record.fields.some((field) => field.trim() !== '')) rows.push(record);
  });
  const [first] = rows;
  const isTitled = first !== undefined && !first.fields.some((field) => readNumber(field) !== null);
  const header = isTitled ? rows.shift()!.fields.map((field) => field.trim()) : titlesFor(rows.map(({ fields }) => fields));
  if (rows.length === 0) throw new InputError('the list', csv.slice(0, 40), 'give a list of units with a header, as name,models,size');
  if (rows.length > MOST_ROWS) throw new InputError('the list', rows.length, `give at most ${MOST_ROWS} units at once`);
  return { header, rows };
}

/** Titles by what stands below them. */
function titlesFor(rows: readonly string[][]): string[] {
  const places = Array.from({ length: Math.max(0, ...rows.map(({ length }) => length)) }, (_, index) => index);
  const cells = (place: number) => rows.map((fields) => fields[place]?.trim() ?? '').filter((cell) => cell !== '');
  const hasOnly = (place: number, is: (cell: string) => boolean) => cells(place).length > 0 && cells(place).every(is);
  const models = places.find((place) => readNumber(rows[0]![place] ?? '') !== null);
  const size = places.find((place) => place !== models && hasOnly(place, (cell) => sizeOf(cell) !== null));
  const name = places.find((place) => place !== models && place !== size);
  return places.map((place) => (place === models ? 'models' : place === size ? 'size' : place === name ? 'name' : `column ${place + 1}`));
}

const WORDS: Record<RosterField, RegExp> = {
  name: /^(name|unit|what|squad|title)/i,
  models: /^(models?|count|number|promised|how many|quantity|qty)/i,
  size: /^(size|scale|kind|type)/i,
};

/** The columns that the header seems to mean. */
export function guessColumns(header: readonly string[]): RosterColumns {
  const at = (field: RosterField) => {
    const place = header.findIndex((title) => WORDS[field].test(title));
    return place < 0 ? null : place;
  };
  return { name: at('name') ?? 0, models: at('models'), size: at('size') };
}

/** The units of a roster by these columns; rows that cannot be taken are told by line and column. Names in `taken` are there already. */
export function unitsOf(
  { header, rows }: RosterTable,
  columns: RosterColumns,
  taken: readonly string[],
): { units: NewUnit[]; bad: BadRosterCell[] } {
  const units: NewUnit[] = [];
  const bad: BadRosterCell[] = [];
  const names = new Set(taken.map(keyOf));
  for (const { line, fields, problem } of rows) {
    const cell = (field: RosterField) => (columns[field] === null ? '' : (fields[columns[field]] ?? '').trim());
    const titleOf = (field: RosterField) => (columns[field] === null ? field : (header[columns[field]] ?? field));
    const wrong: BadRosterCell[] = [];
    const refuse = (field: RosterField, message: string) => wrong.push({ line, column: titleOf(field), message });
    if (problem !== null) wrong.push({ line, column: 'row', message: problem });
    const name = cell('name');
    const models = readNumber(cell('models')) ?? NaN;
    const size = sizeOf(cell('size'));
    if (name === '') refuse('name', 'is empty: name the unit');
    else if (names.has(keyOf(name))) refuse('name', `is "${name}", which is there already: give every unit a name of its own`);
    if (!Number.isInteger(models) || models < 1 || models > MOST_MODELS)
      refuse('models', `is "${cell('models')}": give a whole number from 1 to ${MOST_MODELS}`);
    if (size === null) refuse('size', `is "${cell('size')}": give one of ${SIZES.join(', ')}, or leave it empty for foot`);
    bad.push(...wrong);
    if (wrong.length > 0) continue;
    names.add(keyOf(name));
    units.push({ name, promised: models, size: size! });
  }
  return { units, bad };
}

const keyOf = (name: string) => name.trim().toLowerCase();

function sizeOf(text: string): Size | null {
  if (text === '') return 'foot';
  const wanted = text.toLowerCase();
  return SIZES.find((size) => size === wanted || SIZE_LABELS[size].replace(/ \(.*/, '') === wanted) ?? null;
}
