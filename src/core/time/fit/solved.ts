/** Effects of a step of its own: how long it takes, and its learning slope; they multiply (1, slope term) of a row. */
export const OWN = 2;

/** Lists of numbers of different lengths, one behind the other: list n is `values` from `start[n]` to `start[n + 1]`. */
export interface NumberLists {
  readonly start: Int32Array;
  readonly values: Int32Array;
}

/** The solution of the normal equations: all that is asked of the posterior follows from it. Plain numbers, which another thread can take. */
export interface Solved {
  /** Means of the shared effects, and their covariances, row-major. */
  mean: Float64Array;
  covariance: Float64Array;
  /** Means of the units' own effects, and of the steps' two. */
  unitMeans: Float64Array;
  ownMeans: Float64Array;
  /** Shared effects that the rows of each step and unit touch. */
  stepKeys: NumberLists;
  unitKeys: NumberLists;
  /** Covariance of each step's own two effects given all others (aa, ab, bb), and how they follow the others and the unit's own. */
  stepOwn: Float64Array;
  stepFollows: Float64Array;
  /** How far each copy stands from its step, the precision of that given all else, and how it follows the step's places and own two. */
  copyMeans: Float64Array;
  copyPrecision: Float64Array;
  copyFollows: Float64Array;
  copyStart: Int32Array;
  /** Precision of each unit's own effect given all shared ones, and how it follows them. */
  unitPrecision: Float64Array;
  unitFollows: Float64Array;
}

/** A step once its own effects are eliminated, as others may see it. */
export interface StepBlock {
  /** Shared effects its rows touch; the unit's own stands behind them. */
  keys: Int32Array;
  /** Covariance of its own two effects, given all others: aa, ab, bb. */
  own: Float64Array;
  /** How they follow the others: OWN x (keys + 1), row-major. */
  follows: Float64Array;
}

/** A unit once its own effect is eliminated. */
export interface UnitBlock {
  keys: Int32Array;
  precision: number;
  follows: Float64Array;
}

const listAt = ({ start, values }: NumberLists, index: number) => values.subarray(start[index], start[index + 1]);

export function stepBlock({ stepKeys, stepOwn, stepFollows }: Solved, step: number): StepBlock {
  // The unit's own stands behind the keys of every step.
  const startOf = (index: number) => OWN * (stepKeys.start[index]! + index);
  return {
    keys: listAt(stepKeys, step),
    own: stepOwn.subarray(3 * step, 3 * step + 3),
    follows: stepFollows.subarray(startOf(step), startOf(step + 1)),
  };
}

export function unitBlock({ unitKeys, unitPrecision, unitFollows }: Solved, unit: number): UnitBlock {
  const keys = listAt(unitKeys, unit);
  const start = unitKeys.start[unit]! + unit;
  return { keys, precision: unitPrecision[unit]!, follows: unitFollows.subarray(start, start + keys.length) };
}
