/** @example greatestDivisor(12, 8) // 4 */
export const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/**
 * All ways to share out at most so many drops over some paints, a drop of each at least, in lowest terms.
 *
 * @example wholeDrops(2, 3) // [[1, 1], [1, 2], [2, 1]]
 */
export function wholeDrops(paints: number, mostDrops: number): number[][] {
  const shares = (left: number, drops: number): number[][] =>
    left === 0
      ? [[]]
      : Array.from({ length: Math.max(0, drops - left + 1) }, (_, index) => index + 1).flatMap((first) =>
          shares(left - 1, drops - first).map((rest) => [first, ...rest]),
        );
  return shares(paints, mostDrops).filter((parts) => parts.reduce(greatestDivisor) === 1);
}
