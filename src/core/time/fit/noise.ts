import { noiseVariance, type Spreads } from './spreads';

/**
 * What a stretch takes beside what was expected of it, in log minutes: a mixture of normals. Most stretches are ordinary; some
 * vary twice as much, which are the heavy tails; a few were interrupted, by a break that nobody logged; and once in a
 * while a row is no time at all, such as a wrong tap.
 */
export interface NoisePart {
  share: number;
  /** Mean and variance of what is added. */
  shift: number;
  variance: number;
  isOdd: boolean;
}

export const LOOSE_VARIANCE = 4;
/** Of the rows that are odd, the share that was interrupted; those took about two to four times as long. */
const INTERRUPTED = { share: 0.75, shift: 1, variance: 0.16 } as const;
const ABSURD_VARIANCE = 9;

/** The parts for a stretch on so many models: ordinary, loose, interrupted, absurd. */
export function noiseParts(spreads: Spreads, models: number): NoisePart[] {
  const variance = noiseVariance(spreads, models);
  const sound = 1 - spreads.odd;
  return [
    { share: sound * (1 - spreads.loose), shift: 0, variance, isOdd: false },
    { share: sound * spreads.loose, shift: 0, variance: variance * LOOSE_VARIANCE, isOdd: false },
    { share: spreads.odd * INTERRUPTED.share, shift: INTERRUPTED.shift, variance: variance + INTERRUPTED.variance, isOdd: true },
    { share: spreads.odd * (1 - INTERRUPTED.share), shift: 0, variance: variance + ABSURD_VARIANCE, isOdd: true },
  ];
}

/** A row the painter vouches for is ordinary work, whatever it took. */
export const vouchedFor = ([ordinary]: readonly NoisePart[]): NoisePart[] => [{ ...ordinary!, share: 1 }];

/** How a row is seen when everything but it has spoken. */
export interface Sighting {
  /** Chances that it is ordinary, and loose; the rest is odd. */
  ordinary: number;
  loose: number;
  /** How precisely it tells its expected log minutes. An odd row tells nothing. */
  precision: number;
  /** Expected square of its noise over its variance, as far as it is sound. */
  square: number;
}

/**
 * Weighs a row: each part of the mixture by how well it explains the row where all others have it (`mean` and `variance`), as a
 * scale mixture of normals is fitted by weights (Gelman et al., Bayesian Data Analysis, 3rd ed., section 17.2; leaving the row itself out keeps a
 * single row from vouching for itself).
 */
export function sight(value: number, mean: number, variance: number, parts: readonly NoisePart[]): Sighting {
  let total = 0;
  let ordinary = 0;
  let loose = 0;
  let square = 0;
  for (let index = 0; index < parts.length; index++) {
    const part = parts[index]!;
    const away = value - part.shift - mean;
    const spread = variance + part.variance;
    const chance = (part.share * Math.exp((-0.5 * away * away) / spread)) / Math.sqrt(spread);
    total += chance;
    if (part.isOdd) continue;
    const rest = part.variance / spread;
    square += chance * ((away * rest) ** 2 / part.variance + variance / spread);
    if (index === 0) ordinary = chance;
    else loose = chance;
  }
  // Where nothing explains the row it is odd.
  if (!(total > 1e-290)) return { ordinary: 0, loose: 0, precision: 0, square: 0 };
  ordinary /= total;
  loose /= total;
  return { ordinary, loose, precision: (ordinary + loose / LOOSE_VARIANCE) / parts[0]!.variance, square: square / total };
}
