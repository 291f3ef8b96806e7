/** Standard normal quantiles and distribution. */

export const Z80 = 0.8416212335729143;
export const Z90 = 1.2815515655446004;

const SERIES = [
  -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223, 0.17087277,
] as const;

/** Share below x, to 1.2e-7 (Press et al., Numerical Recipes, 2nd ed., section 6.2, by Chebyshev fitting). */
export function normalShare(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * z);
  let polynomial = 0;
  for (let power = SERIES.length - 1; power >= 0; power--) polynomial = polynomial * t + SERIES[power]!;
  const tail = 0.5 * t * Math.exp(-z * z + polynomial);
  return x > 0 ? 1 - tail : tail;
}

export interface MixturePart {
  share: number;
  mean: number;
  variance: number;
}

/** Sixteen spreads halved so often are told apart to nine digits. */
const HALVINGS = 34;

/** The value below which so large a share of a mixture of normals lies. */
export function mixtureQuantile(parts: readonly MixturePart[], share: number): number {
  const total = parts.reduce((sum, part) => sum + part.share, 0);
  const below = (x: number) => parts.reduce((sum, part) => sum + part.share * normalShare((x - part.mean) / Math.sqrt(part.variance)), 0);
  let low = Math.min(...parts.map(({ mean, variance }) => mean - 8 * Math.sqrt(variance)));
  let high = Math.max(...parts.map(({ mean, variance }) => mean + 8 * Math.sqrt(variance)));
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (low + high) / 2;
    if (below(middle) < share * total) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
