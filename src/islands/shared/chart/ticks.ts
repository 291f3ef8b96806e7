import { scaleLinear } from 'd3-scale';

/** Minutes between ticks as people count them. */
const MINUTE_STEPS = [0.1, 0.25, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 960, 1440, 2880, 7200, 14_400];

/**
 * Ticks from 0 to just above the longest, on round minutes, hours and days.
 *
 * @example minuteTicks(100) // [0, 30, 60, 90, 120]
 */
export function minuteTicks(longest: number, count = 4): number[] {
  const step = MINUTE_STEPS.find((each) => longest / each <= count) ?? Math.ceil(longest / count / 14_400) * 14_400;
  return Array.from({ length: Math.max(1, Math.ceil(longest / step - 1e-9)) + 1 }, (_, index) => Math.round(index * step * 100) / 100);
}

/** Round ticks that hold all of the values. */
export const roundTicks = (least: number, most: number, count = 5): number[] =>
  scaleLinear().domain([least, most]).nice(count).ticks(count);
