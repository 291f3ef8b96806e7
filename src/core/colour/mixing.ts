import { hexOfLinear, linearOf, luminanceOf, type LinearRgb } from './linearRgb';
import { BANDS, LINEAR_RGB_FROM_REFLECTANCE as T } from './spectralData';
import { spectrumOf } from './spectrum';

/** What mixing has to know of a paint. */
export interface Pigment {
  /** sRGB. */
  hex: string;
  /** How strongly it takes over a mix, as the painter's corrections have taught; left out for the usual one of its colour. */
  strength?: number;
}

/** A paint in a mix, by parts: only how they compare counts. */
export interface PigmentShare {
  pigment: Pigment;
  parts: number;
}

const DARKEST_LUMINANCE = 0.0025;

/** The strength of a paint of which nothing was learned: the darker, the stronger. @example usualStrength('#ffffff') // 1 */
export const usualStrength = (hex: string): number => Math.sqrt(Math.max(DARKEST_LUMINANCE, luminanceOf(linearOf(hex))));

export const strengthOf = ({ hex, strength }: Pigment): number => strength ?? usualStrength(hex);

/** Absorption over scattering by Kubelka and Munk, of a layer that hides what is under it. */
export const absorptionOf = (reflectance: Float64Array): Float64Array => reflectance.map((value) => (1 - value) ** 2 / (2 * value));

/** The colour of a mix of which K/S is known, before it is clipped. */
export function colourOfAbsorption(absorption: Float64Array): [number, number, number] {
  let r = 0;
  let g = 0;
  let b = 0;
  const [red, green, blue] = T as [Float64Array, Float64Array, Float64Array];
  for (let band = 0; band < BANDS; band++) {
    const ks = absorption[band]!;
    const reflectance = 1 + ks - Math.sqrt(ks * (ks + 2));
    r += red[band]! * reflectance;
    g += green[band]! * reflectance;
    b += blue[band]! * reflectance;
  }
  return [r, g, b];
}

/**
 * Predicts the colours of mixes by the single-constant theory of P. Kubelka and F. Munk ("Ein Beitrag zur Optik der Farbanstriche",
 * Zeitschrift für technische Physik 12, 1931) over spectra made from the colours. Spectra are worked out once a colour, for as long as
 * one mixer is kept.
 */
export class Mixer {
  private readonly known = new Map<string, Float64Array>();

  absorption(hex: string): Float64Array {
    let absorption = this.known.get(hex);
    if (!absorption) this.known.set(hex, (absorption = absorptionOf(spectrumOf(linearOf(hex)))));
    return absorption;
  }

  /** Linear sRGB of a mix; of one paint it is that of the paint. Throws a `RangeError` where there is nothing in it. */
  mixed(shares: readonly PigmentShare[]): LinearRgb {
    const used = shares.filter(({ parts }) => parts > 0);
    const [first] = used;
    if (!first) throw new RangeError('A mix of nothing has no colour.');
    if (used.every(({ pigment }) => pigment.hex === first.pigment.hex)) return linearOf(first.pigment.hex);
    const sum = new Float64Array(BANDS);
    let whole = 0;
    for (const { pigment, parts } of used) {
      const weight = parts * strengthOf(pigment);
      const absorption = this.absorption(pigment.hex);
      for (let band = 0; band < BANDS; band++) sum[band]! += weight * absorption[band]!;
      whole += weight;
    }
    for (let band = 0; band < BANDS; band++) sum[band]! /= whole;
    return colourOfAbsorption(sum);
  }

  hexOf(shares: readonly PigmentShare[]): string {
    return hexOfLinear(this.mixed(shares));
  }
}
