import { solved, triangleOf } from './cholesky';

const MOST_ROUNDS = 100;
const NUDGE = 1e-4;
const LEAST_DAMPING = 1e-9;
const MOST_DAMPING = 1e12;
/** A sum is the least when any one number alone could make it smaller by no more than this share of it. */
const CLOSE = 1e-16;

/**
 * Where the sum of the squares of some residuals is least, near a start, by Levenberg ("A method for the solution of certain non-linear
 * problems in least squares", 1944) and Marquardt (1963), with what each number alone bends the residuals: without it the way goes on for
 * ever where large residuals are left. Residuals must tell of every number alone, as priors do.
 *
 * @example leastSquares(([x]) => [Math.exp(x) - 2, x / 10], [0]) // [0.6914]
 */
export function leastSquares(residualsOf: (at: readonly number[]) => number[], start: readonly number[]): number[] {
  const placeAt = (at: readonly number[]): Place => {
    const residuals = residualsOf(at);
    return { at, residuals, sum: product(residuals, residuals) };
  };
  let best = placeAt(start);
  let near = around(residualsOf, best);
  const isLeast = () => near.slopes.every((slope, index) => slope * slope <= CLOSE * (1 + best.sum) * near.squares[index]![index]!);
  let damping = 1e-2;
  for (let round = 0; round < MOST_ROUNDS && damping <= MOST_DAMPING && !isLeast(); round++) {
    const { slopes, squares, bends } = near;
    // Which of the two goes further depends on how much the residuals bend together.
    const tried = [bends, bends.map(() => 0)].flatMap((bent) => {
      const damped = squares.map((row, index) => row.with(index, row[index]! * (1 + damping) + bent[index]!));
      const lower = triangleOf(Float64Array.from(damped.flat()), slopes.length);
      if (lower === null) return [];
      const move = solved(lower, slopes);
      return [placeAt(best.at.map((value, index) => value - move[index]!))];
    });
    const [next] = tried.filter(({ sum }) => sum < best.sum).sort((a, b) => a.sum - b.sum);
    damping = Math.max(LEAST_DAMPING, next ? damping / 10 : damping * 10);
    if (!next) continue;
    best = next;
    near = around(residualsOf, best);
  }
  return [...best.at];
}

interface Place {
  at: readonly number[];
  residuals: readonly number[];
  sum: number;
}

const product = (one: readonly number[], other: readonly number[]) => one.reduce((sum, value, index) => sum + value * other[index]!, 0);

/** Half the first derivatives of the sum, and the parts of half its second ones: of the slopes of the residuals, and of their bends. */
function around(residualsOf: (at: readonly number[]) => number[], { at, residuals }: Place) {
  const sides = at.map((value, index) => [NUDGE, -NUDGE].map((nudge) => residualsOf(at.with(index, value + nudge))));
  const columns = sides.map(([up, down]) => up!.map((value, row) => (value - down![row]!) / (2 * NUDGE)));
  return {
    slopes: columns.map((column) => product(column, residuals)),
    squares: columns.map((one) => columns.map((other) => product(one, other))),
    bends: sides.map(([up, down]) =>
      product(
        residuals,
        up!.map((value, row) => (value - 2 * residuals[row]! + down![row]!) / NUDGE ** 2),
      ),
    ),
  };
}
