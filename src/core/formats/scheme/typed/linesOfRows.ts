import { eachRecord } from '../../csvRecords';
import { readPartName } from '../../../scheme/model/shares';
import type { KnownNames } from './definitions';
import { techniqueAt, techniqueWords } from './words';

const TITLE = /^(parts?|area|where)$/i;
const COATS = /^(?:x\s*)?(\d{1,2})(?:\s*(?:x|coats?))?$/i;

/** @example isRows('Coat\tbase\tSea') // true */
export const isRows = (text: string): boolean => text.includes('\t');

/**
 * Rows copied from a spreadsheet as typed lines: the part in the first cell (an empty one goes on with the part above), its share in a
 * cell of its own where it is said, then techniques, paints and coats, each step in cells of its own or in one.
 *
 * @example linesOfRows('Coat\tlarge\tbase\tSea blue\t2\n\tlayer\tFoam', { paints: [] }) // 'Coat, large: base Sea blue x2, layer Foam'
 */
export function linesOfRows(text: string, known: KnownNames): string {
  const words = techniqueWords(known.techniques);
  const paints = new Set([...known.paints, ...(known.mixes ?? []), ...(known.common ?? [])].map(({ name }) => name.toLowerCase()));
  const parts: { name: string; steps: string[] }[] = [];
  eachRecord(text, '\t', ({ line, fields }) => {
    const [first = '', ...rest] = fields.map((field) => field.trim());
    if (line === 1 && TITLE.test(first)) return;
    const cells = rest.filter((cell) => cell !== '');
    if (first !== '') {
      const hasShare = cells[0] !== undefined && readPartName(`, ${cells[0]}`).surface !== null;
      const name = hasShare ? `${first}, ${cells.shift()}` : first;
      // Two rows of one part are two steps of it.
      if (parts.at(-1)?.name !== name) parts.push({ name, steps: [] });
    }
    const steps = parts.at(-1)?.steps;
    if (!steps) return;
    let paint: string | null = null;
    let isOpen = false;
    /** Only the technique is there so far. */
    let isBare = false;
    for (const cell of cells) {
      const coats = COATS.exec(cell)?.[1];
      if (coats !== undefined && isOpen) {
        if (coats !== '1') steps.push(`${steps.pop()!} x${coats}`);
      } else if (techniqueAt(cell, words) && !(isBare && paints.has(cell.toLowerCase()))) {
        steps.push(paint === null ? cell : `${cell} ${paint}`);
        [paint, isOpen, isBare] = [null, true, paint === null];
        continue;
      } else if (isOpen) steps.push(`${steps.pop()!} ${cell}`);
      else paint = cell;
      isBare = false;
    }
    // Nothing is dropped: the reader says what is wrong with it.
    if (paint !== null) steps.push(paint);
  });
  return parts.map(({ name, steps }) => `${name}: ${steps.join(', ')}`).join('\n');
}
