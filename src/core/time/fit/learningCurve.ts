import type { StepCurve } from '../definitions';
import type { StretchAhead } from '../../scheme/passes/stretchAhead';

/**
 * Repetition: the r-th model of a step takes r^-slope of what the first one took (Wright 1936: a constant share saved at each
 * doubling), and never less than a floor. Shares are relative to the fifth model, about the middle of a batch of twelve, which is
 * where the shipped norms stand.
 */
const MIDDLE = Math.log(5);
/** No curve goes on for ever: nobody is believed to become more than this much faster than at the first model. */
export const FLOOR = 0.4;
const LOG_FLOOR = Math.log(FLOOR);
/** A painter who gets slower by repetition, or faster than this, is something else: fatigue, or another step. */
const LEAST_SLOPE = 0;
const MOST_SLOPE = 0.7;

export const slopeWithin = (slope: number): number => Math.min(MOST_SLOPE, Math.max(LEAST_SLOPE, slope));

/** Share saved at each doubling, for words. */
export const savedPerDoubling = (slope: number): number => 1 - 2 ** -slopeWithin(slope);

/** Logarithm of a mean share, and how it changes with the slope. */
export interface LogShare {
  value: number;
  bySlope: number;
}

/**
 * Minutes of the models `done` + 1 to `done` + `models` of a step, on average, as a share of those of the fifth one: the first model
 * of a step exactly, the rest by the integral through their middles. Neither need be whole.
 */
export function logShare(done: number, models: number, slope: number): LogShare {
  const steepness = slopeWithin(slope);
  const count = Math.max(models, 1e-9);
  const end = done + count;
  const power = 1 - steepness;
  let sum = 0;
  let bySlope = 0;
  // Where the curve meets the floor.
  const bottom = steepness * Math.log(end + 0.5) <= -LOG_FLOOR ? end : Math.max(done, Math.exp(-LOG_FLOOR / steepness) - 0.5);
  const onFirst = Math.max(0, Math.min(1, bottom) - done);
  sum += onFirst;
  const from = Math.max(1, done);
  if (bottom > from) {
    const low = Math.log(from + 0.5);
    const high = Math.log(bottom + 0.5);
    const atLow = Math.exp(power * low);
    const atHigh = Math.exp(power * high);
    const rest = (atHigh - atLow) / power;
    sum += rest;
    bySlope += (rest - (atHigh * high - atLow * low)) / power;
  }
  sum += (end - bottom) * FLOOR;
  return { value: Math.log(sum / count) + MIDDLE * steepness, bySlope: bySlope / sum + MIDDLE };
}

export const meanShare = (done: number, models: number, slope: number): number => Math.exp(logShare(done, models, slope).value);

/** Likely minutes of a model that counts as one, on average over a stretch to come. */
export const modelMinutes = ({ level, slope, leaders, practised }: StepCurve, { done, models, weight }: StretchAhead): number =>
  level * meanShare(done + practised, models, slope) * (weight === models ? 1 : Math.pow(weight / models, leaders));

/** Likely minutes of all of it. */
export const stretchMinutes = (curve: StepCurve, stretch: StretchAhead): number => modelMinutes(curve, stretch) * stretch.weight;
