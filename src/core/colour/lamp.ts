import { hexOfLinear, linearOf, luminanceOf, type LinearRgb } from './linearRgb';
import { BANDS, LINEAR_RGB_FROM_REFLECTANCE as T } from './spectralData';
import { spectrumOf } from './spectrum';

/** Relative power of CIE standard illuminant D65 from 380 to 750 nm, every 10 nm (CIE 15:2018, table 4). */
// prettier-ignore
const D65 = [
  49.98, 54.65, 82.75, 91.49, 93.43, 86.68, 104.86, 117.01, 117.81, 114.86, 115.92, 108.81, 109.35, 107.8, 104.79, 107.69, 104.41, 104.05, 100,
  96.33, 95.79, 88.69, 90.01, 89.6, 87.7, 83.29, 83.7, 80.03, 80.21, 82.28, 78.28, 69.72, 71.61, 74.35, 61.6, 69.89, 75.09, 63.59,
];

const FIRST_NM = 380;
const STEP_NM = 10;
/** Of a filament lamp: illuminant A. */
const LAMP_KELVIN = 2856;
/** Planck's second radiation constant, in nm K. */
const PLANCK_NM_K = 1.4388e7;
/** Eyes get used to the light of a lamp, but not wholly: a white sheet still looks warm. */
const ADAPTED = 0.8;
const LEAST = 1e-6;

/** Relative power of a black body at so many nanometres, 1 at 560. */
function planck(nanometres: number, kelvin: number): number {
  const at = (nm: number) => nm ** -5 / (Math.exp(PLANCK_NM_K / (nm * kelvin)) - 1);
  return at(nanometres) / at(560);
}

const LAMP = Array.from({ length: BANDS }, (_, band) => planck(FIRST_NM + band * STEP_NM, LAMP_KELVIN) / (D65[band]! / 100));

function underLamp(spectrum: Float64Array): LinearRgb {
  const [r, g, b] = T.map((row) => row.reduce((sum, weight, band) => sum + weight * spectrum[band]! * LAMP[band]!, 0));
  return [r!, g!, b!];
}

const WHITE = underLamp(new Float64Array(BANDS).fill(1));

/**
 * How a colour of the shelf looks under a filament lamp, told in a colour that looks so by day: its spectrum in that light, seen by an eye
 * that is used to it (von Kries, four fifths of the way).
 *
 * @example underLampHex('#000000') // '#000000'
 */
export function underLampHex(hex: string): string {
  const colour = linearOf(hex);
  // What is lifted a little to have a spectrum is black all the same.
  if (luminanceOf(colour) === 0) return hex;
  const seen = underLamp(spectrumOf(colour));
  const level = luminanceOf(WHITE);
  const [r, g, b] = seen.map((value, band) => value / (Math.max(WHITE[band]!, LEAST) / level) ** ADAPTED) as [number, number, number];
  // How light it is goes by the light alone: getting used to a colour of light makes nothing lighter.
  const scale = luminanceOf(seen) / level / Math.max(luminanceOf([r, g, b]), LEAST);
  return hexOfLinear([r * scale, g * scale, b * scale]);
}
