import { factsOf } from '../../scheme/model/techniques';
import type { BenchMarks } from '../definitions';
import type { BenchLine, BenchPass } from './benchLine';

/** What can be decided of the work in hand, at the bench, where it is seen. */
export const DECISIONS = [
  'leave out',
  'leave out the rest',
  'another coat',
  'another coat on the rest',
  'a coat less',
  'not this session',
  'start over',
] as const;

export interface Decision {
  kind: (typeof DECISIONS)[number];
  /** Models of the unit that it changes something for. */
  models: number[];
  /** Likely minutes more; negative for fewer. */
  minutes: number;
  /** Under which of them something is to be painted again. */
  passes: BenchPass[];
}

interface Scene {
  line: Pick<BenchLine, 'passes'>;
  state: BenchMarks;
  /** Likely minutes of these models under a pass. */
  minutesOf: (pass: BenchPass, models: readonly number[]) => number;
}

const MOST_COATS = 10;

/** What can be decided of a pass, with the model in hand, and what each takes or saves. */
export function decisionsOn(pass: BenchPass, model: number | null, { line, state, minutesOf }: Scene): Decision[] {
  const isOpen = (each: number) => !state.marks.get(pass.key)?.has(each);
  const rest = pass.models.filter(isOpen);
  const isBegun = rest.length < pass.models.length;
  const found: Decision[] = [];
  const offer = (kind: Decision['kind'], models: number[], sign: 1 | -1, passes: BenchPass[] = [pass]) => {
    const minutes = passes.reduce((sum, each) => sum + minutesOf(each, models), 0);
    found.push({ kind, models, minutes: sign * minutes, passes });
  };
  if (model !== null && rest.includes(model)) offer('leave out', [model], -1);
  if (rest.length > 1) offer('leave out the rest', rest, -1);
  if (pass.half === null && pass.coats < MOST_COATS) {
    offer('another coat', pass.models, 1);
    if (isBegun && rest.length > 0) offer('another coat on the rest', rest, 1);
  }
  if (pass.half === null && pass.coats > 1 && pass.coat === pass.coats && !isBegun) offer('a coat less', pass.models, -1);
  if (rest.length > 0) offer('not this session', rest, -1);
  if (model !== null) {
    const painted = line.passes.filter(
      (each) => each.unitId === pass.unitId && each.partId === pass.partId && isPainted(state, each, model),
    );
    if (painted.length > 0) offer('start over', [model], 1, painted);
  }
  return found;
}

/** Covering a model leaves it cleaned and glued together. */
const isPainted = (state: BenchMarks, { key, technique }: BenchPass, model: number): boolean => {
  if (!factsOf(technique).usesPaint) return false;
  const mark = state.marks.get(key)?.get(model);
  return mark !== undefined && !mark.leftOut;
};

/** Models of a unit that do without a pass, pass by pass: they can still get it. */
export const leftOutOf = (unitId: string, { line, state }: Pick<Scene, 'line' | 'state'>): { pass: BenchPass; models: number[] }[] =>
  line.passes
    .filter((pass) => pass.unitId === unitId)
    .map((pass) => ({ pass, models: pass.models.filter((model) => state.marks.get(pass.key)?.get(model)?.leftOut) }))
    .filter(({ models }) => models.length > 0);
