import Papa from 'papaparse';
import { parse as parseColour, formatHex } from '../../colour/culori';
import { InputError } from '../../kernel/InputError';
import type { PotFacts } from '../../paint/shelf';
import { PAINT_KINDS, type PaintKind } from '../../scheme/model/paintKinds';
import type { Paint } from '../../scheme/model/definitions';
import { delimiterOf, eachRecord } from '../csvRecords';
import { readNumber } from '../readNumber';

/** What a column of a list of paints may say. */
const PAINT_COLUMNS = ['name', 'colour', 'kind', 'maker', 'volume', 'left', 'place'] as const;
export type PaintColumn = (typeof PAINT_COLUMNS)[number];
/** Place of the column that says it; null where none does. */
export type PaintColumns = Record<PaintColumn, number | null>;

export interface PaintTable {
  header: string[];
  rows: { line: number; fields: string[]; problem: string | null }[];
}

export type ListedPaint = Omit<Paint, 'id'> & Pick<PotFacts, 'maker' | 'volumeMl' | 'place'> & { leftMl: number | null };

export interface BadPaintCell {
  line: number;
  column: string;
  message: string;
}

const MOST_ROWS = 2000;
const GPL = /^\uFEFF?GIMP Palette\s*$/;

/**
 * Reads a list of paints: CSV or cells copied from a spreadsheet, its columns separated by commas, semicolons or tabs, with a header; or
 * a `.gpl` palette (red, green and blue from 0 to 255, then a name). What each column says is chosen afterwards. Throws an `InputError`.
 */
export function readPaintList(text: string): PaintTable {
  const [first = ''] = text.split(/\r\n|\n|\r/, 1);
  const table = GPL.test(first) ? readPalette(text) : readTable(text);
  if (table.rows.length === 0)
    throw new InputError('the list', text.slice(0, 40), 'give paints with a header, as name,colour,kind, or a .gpl palette');
  if (table.rows.length > MOST_ROWS) throw new InputError('the list', table.rows.length, `give at most ${MOST_ROWS} paints at once`);
  return table;
}

function readTable(text: string): PaintTable {
  let header: string[] | null = null;
  const rows: PaintTable['rows'] = [];
  eachRecord(text, delimiterOf(text), ({ line, fields, problem }) => {
    if (header === null) header = fields.map((field) => field.trim());
    else if (fields.some((field) => field.trim() !== '')) rows.push({ line, fields, problem });
  });
  return { header: header ?? [], rows };
}

const ENTRY = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*?))?\s*$/;

function readPalette(text: string): PaintTable {
  const rows = text.split(/\r\n|\n|\r/).flatMap((content, index): PaintTable['rows'] => {
    const line = index + 1;
    if (index === 0 || /^\s*(#|$)/.test(content) || /^(Name|Columns):/i.test(content)) return [];
    const entry = ENTRY.exec(content);
    if (!entry || entry.slice(1, 4).some((value) => Number(value) > 255))
      return [{ line, fields: [content.trim(), ''], problem: 'is no colour: give red, green and blue from 0 to 255, then a name' }];
    const hex = `#${entry
      .slice(1, 4)
      .map((value) => Number(value).toString(16).padStart(2, '0'))
      .join('')}`;
    return [{ line, fields: [entry[4]?.trim() || `Colour ${hex}`, hex], problem: null }];
  });
  return { header: ['name', 'colour'], rows };
}

const WORDS: Record<PaintColumn, RegExp> = {
  name: /^(name|paint|title|label)/i,
  colour: /^(colou?r|hex|rgb|swatch)/i,
  kind: /^(kind|type|role)/i,
  maker: /^(maker|made|manufacturer|from)/i,
  volume: /^(volume|size|ml|content)/i,
  left: /^(left|level|stock|amount)/i,
  place: /^(place|rack|where|shelf|slot)/i,
};

/** The columns that the header seems to mean. */
export function guessPaintColumns(header: readonly string[]): PaintColumns {
  const entries = PAINT_COLUMNS.map((column) => {
    const place = header.findIndex((title) => WORDS[column].test(title));
    return [column, place < 0 ? null : place] as const;
  });
  const guessed = Object.fromEntries(entries) as PaintColumns;
  return { ...guessed, name: guessed.name ?? 0 };
}

/** The paints of a list by these columns; rows that cannot be taken are told by line and column. */
export function paintsOf({ header, rows }: PaintTable, columns: PaintColumns): { paints: ListedPaint[]; bad: BadPaintCell[] } {
  const paints: ListedPaint[] = [];
  const bad: BadPaintCell[] = [];
  for (const { line, fields, problem } of rows) {
    const cell = (column: PaintColumn) => (columns[column] === null ? '' : (fields[columns[column]] ?? '').trim());
    const titleOf = (column: PaintColumn) => (columns[column] === null ? column : (header[columns[column]] ?? column));
    const wrong: BadPaintCell[] = [];
    const refuse = (column: PaintColumn, message: string) => wrong.push({ line, column: titleOf(column), message });
    if (problem !== null) {
      bad.push({ line, column: fields[0] ?? 'row', message: problem });
      continue;
    }
    const amount = (column: 'volume' | 'left'): number | null => {
      const text = cell(column)
        .replace(/\s*ml$/i, '')
        .replace(/^(\d+),(\d+)$/, '$1.$2');
      if (text === '') return null;
      const value = readNumber(text);
      if (value === null || value < 0 || value > 5000) refuse(column, `is "${cell(column)}": give millilitres from 0 to 5000`);
      return value;
    };
    const name = cell('name');
    const hex = hexOf(cell('colour'));
    const kind = kindOf(cell('kind'));
    if (name === '') refuse('name', 'is empty: name the paint');
    if (hex === null) refuse('colour', `is "${cell('colour')}": give a colour as #a1b2c3`);
    if (kind === null) refuse('kind', `is "${cell('kind')}": give one of ${PAINT_KINDS.join(', ')}, or leave it empty for opaque`);
    const [volumeMl, leftMl] = [amount('volume'), amount('left')];
    if (wrong.length > 0) bad.push(...wrong);
    else paints.push({ name, hex: hex!, kind: kind!, dryMinutes: null, maker: cell('maker'), place: cell('place'), volumeMl, leftMl });
  }
  return { paints, bad };
}

function hexOf(text: string): string | null {
  const colour = parseColour(/^[0-9a-f]{6}$/i.test(text) ? `#${text}` : text.toLowerCase());
  return colour ? formatHex(colour).slice(0, 7) : null;
}

function kindOf(text: string): PaintKind | null {
  if (text === '') return 'opaque';
  return PAINT_KINDS.find((kind) => kind === text.toLowerCase()) ?? null;
}

/** Paints as CSV, as `readPaintList` takes it back. */
export const writePaintList = (
  paints: readonly (Pick<Paint, 'id' | 'name' | 'hex' | 'kind'> & Pick<PotFacts, 'maker' | 'volumeMl' | 'place'>)[],
  left: Readonly<Record<string, number>>,
): string =>
  asCsv(
    ['name', 'colour', 'kind', 'maker', 'volume ml', 'left ml', 'place'],
    paints.map(({ id, name, hex, kind, maker, volumeMl, place }) => [
      name,
      hex,
      kind,
      maker,
      volumeMl === null ? '' : String(volumeMl),
      left[id] === undefined ? '' : String(Math.round(left[id] * 10) / 10),
      place,
    ]),
  );

/** A palette that other programs read. */
export const writePalette = (paints: readonly Pick<Paint, 'name' | 'hex'>[]): string =>
  [
    'GIMP Palette',
    'Name: Shelf',
    'Columns: 8',
    '#',
    ...paints.map(({ name, hex }) => {
      const [r, g, b] = [1, 3, 5].map((at) => String(parseInt(hex.slice(at, at + 2), 16)).padStart(3));
      return `${r} ${g} ${b}\t${name.replace(/\s+/g, ' ')}`;
    }),
    '',
  ].join('\n');

/** What a spreadsheet would take for a formula is written as text. */
const FORMULA = /^[=+\-@\t\r]/;

export const asCsv = (header: readonly string[], rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse([[...header], ...rows.map((row) => row.map((cell) => (FORMULA.test(cell) ? `'${cell}` : cell)))])}\r\n`;
