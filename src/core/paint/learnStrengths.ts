import { differenceOf, labOf, labOfLinear, type Lab } from '../colour/difference';
import { strengthOf, usualStrength, type Mixer, type Pigment } from '../colour/mixing';

/** What a mix looked like when it was dry, as the painter said it. */
export interface SeenMix {
  id: string;
  /** UTC ISO 8601. */
  at: string;
  /** What it is called. */
  mix: string;
  /** How much of it each paint is, by the ids of the paints; together 1. */
  shares: Record<string, number>;
  /** sRGB. */
  hex: string;
}

/** Standard deviation of the log of a strength around what is usual for its colour. */
const PRIOR_SD = 0.5;
const MOST_ROUNDS = 60;
const NUDGE = 1e-4;
const CLOSE = 1e-8;

interface Seen {
  shares: [paint: string, share: number][];
  lab: Lab;
}

/**
 * The strengths of paints that what was seen of their mixes makes most probable: least squares in L*, a*, b* over all of them, shrunk
 * towards the usual in the log of the strength (standard deviation 0.5), by Levenberg ("A method for the solution of certain non-linear
 * problems in least squares", 1944) and Marquardt (1963). Paints in none are left out, and so are mixes of one colour alone.
 */
export function learnStrengths(seen: readonly SeenMix[], paints: ReadonlyMap<string, Pigment>, mixer: Mixer): Map<string, number> {
  const known = seen.flatMap(({ shares, hex }): Seen[] => {
    const its = Object.entries(shares).filter(([id]) => paints.has(id));
    return its.length < 2 ? [] : [{ shares: its, lab: labOf(hex) }];
  });
  const ids = [...new Set(known.flatMap(({ shares }) => shares.map(([id]) => id)))].sort();
  const usual = new Map(ids.map((id) => [id, usualStrength(paints.get(id)!.hex)]));
  const residualsOf = (logs: readonly number[]): number[] => {
    const strengths = new Map(ids.map((id, index) => [id, usual.get(id)! * Math.exp(logs[index]!)]));
    const off = known.flatMap(({ shares, lab }) => {
      const mixed = labOfLinear(
        mixer.mixed(shares.map(([id, parts]) => ({ pigment: { hex: paints.get(id)!.hex, strength: strengths.get(id)! }, parts }))),
      );
      return [mixed.l - lab.l, mixed.a - lab.a, mixed.b - lab.b];
    });
    return [...off, ...logs.map((log) => log / PRIOR_SD)];
  };
  const logs = leastSquares(
    residualsOf,
    ids.map(() => 0),
  );
  return new Map(ids.map((id, index) => [id, usual.get(id)! * Math.exp(logs[index]!)]));
}

/** How far the prediction of a mix was off what was seen: with the usual strengths, and with those that were learned. CIEDE2000. */
export function howFarOffSeen(
  { shares, hex }: Pick<SeenMix, 'shares' | 'hex'>,
  paints: ReadonlyMap<string, Pigment>,
  mixer: Mixer,
): { before: number; after: number } | null {
  const its = Object.entries(shares).filter(([id]) => paints.has(id));
  if (its.length === 0) return null;
  const of = (strength: (paint: Pigment) => number) =>
    differenceOf(
      labOfLinear(
        mixer.mixed(its.map(([id, parts]) => ({ pigment: { hex: paints.get(id)!.hex, strength: strength(paints.get(id)!) }, parts }))),
      ),
      labOf(hex),
    );
  return { before: of(({ hex: own }) => usualStrength(own)), after: of(strengthOf) };
}

/** Where the sum of the squares of some residuals is least, from a start. */
function leastSquares(residualsOf: (at: readonly number[]) => number[], start: number[]): number[] {
  let at = start;
  let residuals = residualsOf(at);
  let damping = 1e-2;
  const sumOf = (all: readonly number[]) => all.reduce((sum, each) => sum + each * each, 0);
  for (let round = 0; round < MOST_ROUNDS && at.length > 0; round++) {
    const columns = at.map((value, index) => {
      const nudged = residualsOf(at.with(index, value + NUDGE));
      return nudged.map((each, row) => (each - residuals[row]!) / NUDGE);
    });
    const matrix = columns.map((one, row) =>
      columns.map((other, column) => {
        const sum = one.reduce((all, value, index) => all + value * other[index]!, 0);
        return row === column ? sum * (1 + damping) : sum;
      }),
    );
    const right = columns.map((column) => -column.reduce((sum, value, index) => sum + value * residuals[index]!, 0));
    const move = solved(matrix, right);
    const next = at.map((value, index) => value + move[index]!);
    const nextResiduals = residualsOf(next);
    if (sumOf(nextResiduals) > sumOf(residuals)) {
      damping *= 10;
      if (damping > 1e8) break;
      continue;
    }
    at = next;
    residuals = nextResiduals;
    damping = Math.max(1e-9, damping / 10);
    if (Math.max(...move.map(Math.abs)) < CLOSE) break;
  }
  return at;
}

/** Gauss without pivoting: the matrix is positive definite. */
function solved(matrix: number[][], right: number[]): number[] {
  const rows = matrix.map((row, index) => [...row, right[index]!]);
  const size = rows.length;
  for (let column = 0; column < size; column++)
    for (let row = column + 1; row < size; row++) {
      const factor = rows[row]![column]! / rows[column]![column]!;
      for (let at = column; at <= size; at++) rows[row]![at]! -= factor * rows[column]![at]!;
    }
  const result = new Array<number>(size).fill(0);
  for (let row = size - 1; row >= 0; row--) {
    const known = result.reduce((sum, value, at) => sum + (at > row ? rows[row]![at]! * value : 0), 0);
    result[row] = (rows[row]![size]! - known) / rows[row]![row]!;
  }
  return result;
}
