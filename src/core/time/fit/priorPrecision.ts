import { EFFECTS, LEADERS, PERIOD_MIDDLES, SIZE_RANGE, SLOPE_OF_ALL, SLOPE_RANGE, TECHNIQUE_RANGE } from './effects';
import { LEADER_SPREAD, PACE_SPREAD, SLOPE, type Spreads } from './spreads';

/**
 * Precision of the shared effects before any row has spoken (EFFECTS x EFFECTS, row-major), and precision times mean. The pace is a
 * random walk back from now: each period differs from the next by the drift of the months between their middles. It goes back to the period
 * `oldest`; what lies before it touches nothing.
 */
export function priorPrecision(spreads: Spreads, oldest: number): { precision: Float64Array; right: Float64Array } {
  const precision = new Float64Array(EFFECTS * EFFECTS);
  const right = new Float64Array(EFFECTS);
  const add = (i: number, j: number, value: number) => (precision[i * EFFECTS + j]! += value);
  const diagonal = ([from, to]: readonly [number, number], spread: number) => {
    for (let i = from; i < to; i++) add(i, i, 1 / spread ** 2);
  };
  add(0, 0, 1 / PACE_SPREAD ** 2);
  for (let period = 1; period <= oldest; period++) {
    const step = 1 / (spreads.drift ** 2 * monthsBetween(period));
    add(period, period, step);
    add(period - 1, period - 1, step);
    add(period, period - 1, -step);
    add(period - 1, period, -step);
  }
  diagonal([oldest + 1, PERIOD_MIDDLES.length], PACE_SPREAD);
  diagonal(TECHNIQUE_RANGE, spreads.technique);
  diagonal(SIZE_RANGE, spreads.size);
  diagonal([LEADERS, LEADERS + 1], LEADER_SPREAD);
  diagonal([SLOPE_OF_ALL, SLOPE_OF_ALL + 1], SLOPE.spread);
  diagonal(SLOPE_RANGE, spreads.techniqueSlope);
  right[SLOPE_OF_ALL] = SLOPE.mean / SLOPE.spread ** 2;
  return { precision, right };
}

/** Months between the middles of a period and the one after it. */
export const monthsBetween = (period: number): number => PERIOD_MIDDLES[period]! - PERIOD_MIDDLES[period - 1]!;
