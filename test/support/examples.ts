import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { LineProblem, LineTotals, TimedJob } from '../../src/core/line/definitions';

export interface Example {
  file: string;
  note: string;
  problem: LineProblem;
  order: string[];
  /** Each version says what is new with it; those of the third leave out when each job is done, and say the least total of all orders. */
  expected: Partial<LineTotals> & { jobs?: TimedJob[]; due?: { id: string; end: number; at?: number }[] };
  optimal?: number;
}

const FOLDER = 'test/data/line';

/** The worked examples of the line problem's contract. */
export const examples: Example[] = readdirSync(FOLDER)
  .sort()
  .map((file) => ({ file, ...(JSON.parse(readFileSync(path.join(FOLDER, file), 'utf8')) as Omit<Example, 'file'>) }));

export const TOTALS = [
  'total',
  'finish',
  'bench',
  'handsOn',
  'changeover',
  'wait',
  'touchUp',
  'late',
  'against',
  'legCount',
] as const satisfies (keyof LineTotals)[];
