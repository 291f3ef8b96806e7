import { SIZES, type Size } from '../../scheme/model/definitions';
import { TECHNIQUES, type Technique } from '../../scheme/model/techniques';

/**
 * The effects that all units share, always all of them and always in this order, so that draws keep theirs: the painter's pace
 * now and in earlier periods, each technique, each size, how leaders differ from what House rules say, and the learning slopes.
 */

/** Ends of the periods of the pace, in months before now: weeks while it is fresh, then months, then longer. */
export const PERIODS: readonly number[] = [
  ...Array.from({ length: 8 }, (_, week) => ((week + 1) * 7) / 30),
  ...Array.from({ length: 10 }, (_, month) => 2 + month + 1),
  ...[15, 18, 21, 24, 30, 36, 48, 60],
  Infinity,
];

/** Middle of each period, in months before now. */
export const PERIOD_MIDDLES: readonly number[] = PERIODS.map((end, index) => {
  const start = index === 0 ? 0 : PERIODS[index - 1]!;
  return end === Infinity ? start + 12 : (start + end) / 2;
});

const FIRST_TECHNIQUE = PERIODS.length;
const FIRST_SIZE = FIRST_TECHNIQUE + TECHNIQUES.length;
export const LEADERS = FIRST_SIZE + SIZES.length;
export const SLOPE_OF_ALL = LEADERS + 1;
const FIRST_SLOPE = SLOPE_OF_ALL + 1;
export const EFFECTS = FIRST_SLOPE + TECHNIQUES.length;

const TECHNIQUE_AT = new Map<Technique, number>(TECHNIQUES.map((technique, index) => [technique, index]));
const SIZE_AT = new Map<Size, number>(SIZES.map((size, index) => [size, index]));

export const paceAt = (monthsAgo: number): number => {
  let period = 0;
  while (monthsAgo > PERIODS[period]!) period++;
  return period;
};
export const techniqueAt = (technique: Technique): number => FIRST_TECHNIQUE + TECHNIQUE_AT.get(technique)!;
export const sizeAt = (size: Size): number => FIRST_SIZE + SIZE_AT.get(size)!;
export const slopeAt = (technique: Technique): number => FIRST_SLOPE + TECHNIQUE_AT.get(technique)!;

/** Ranges of effects of one kind, from inclusive to exclusive. */
export const TECHNIQUE_RANGE = [FIRST_TECHNIQUE, FIRST_SIZE] as const;
export const SIZE_RANGE = [FIRST_SIZE, LEADERS] as const;
export const SLOPE_RANGE = [FIRST_SLOPE, EFFECTS] as const;

/** A name of each effect, for draws that keep their place. */
export const EFFECT_KEYS: readonly string[] = [
  ...PERIODS.map((_, index) => `pace ${index}`),
  ...TECHNIQUES.map((technique) => `technique ${technique}`),
  ...SIZES.map((size) => `size ${size}`),
  'leaders',
  'slope',
  ...TECHNIQUES.map((technique) => `slope ${technique}`),
];
