import { converter, type Lab65 } from './culori';
import type { LinearRgb } from './linearRgb';

/** A colour in CIE L*a*b* under D65. */
export type Lab = Pick<Lab65, 'l' | 'a' | 'b'>;

const toLab65 = converter('lab65');

export const labOf = (hex: string): Lab => toLab65(hex)!;

/**
 * The same of a linear colour, by the matrix of sRGB (IEC 61966-2-1) and the definition of CIE L*a*b*: written out, as a search for a mix
 * asks a million times.
 */
export function labOfLinear([r, g, b]: LinearRgb): Lab {
  const x = root((0.41239079926595934 * r + 0.357584339383878 * g + 0.1804807884018343 * b) / WHITE.x);
  const y = root(0.21263900587151027 * r + 0.715168678767756 * g + 0.07219231536073371 * b);
  const z = root((0.01933081871559182 * r + 0.11919477979462598 * g + 0.9505321522496607 * b) / WHITE.z);
  return { l: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) };
}

const WHITE = { x: 0.3127 / 0.329, z: (1 - 0.3127 - 0.329) / 0.329 };
const root = (value: number): number => (value > 216 / 24389 ? Math.cbrt(value) : ((24389 / 27) * value + 16) / 116);

/** CIE L* of a luminance from 0 to 1. @example lightnessOfLuminance(1) // 100 */
export const lightnessOfLuminance = (luminance: number): number => 116 * root(luminance) - 16;

/** The luminance of a CIE L*. @example luminanceOfLightness(100) // 1 */
export function luminanceOfLightness(lightness: number): number {
  const root = (lightness + 16) / 116;
  return root ** 3 > 216 / 24389 ? root ** 3 : (116 * root - 16) * (27 / 24389);
}

/**
 * CIE L* under D65, 0 to 100.
 *
 * @example lightnessOf({ hex: '#ffffff' }) // 100
 */
export const lightnessOf = ({ hex }: { hex: string }): number => labOf(hex).l;

const DEGREE = Math.PI / 180;
const OF_CHROMA = 25 ** 7;
/** What high chroma leaves of a correction: 1 without any, 0 at the most. */
function overGrey(chroma: number): number {
  const square = chroma * chroma;
  const seventh = square * square * square * chroma;
  return Math.sqrt(seventh / (seventh + OF_CHROMA));
}
const hueOf = (a: number, b: number): number => {
  const hue = Math.atan2(b, a);
  return hue < 0 ? hue + 2 * Math.PI : hue;
};

/**
 * How different two colours look: CIEDE2000 (Sharma, Wu and Dalal, "The CIEDE2000 color-difference formula", 2005) under D65. Below 1
 * hardly anybody tells them apart side by side; at the distance of a table it takes a few. Written out, as a search for a mix asks a
 * million times.
 *
 * @example differenceOf(labOf('#ff0000'), labOf('#ff0000')) // 0
 */
export function differenceOf(one: Lab, other: Lab): number {
  const stretched =
    1 + 0.5 * (1 - overGrey((Math.sqrt(one.a * one.a + one.b * one.b) + Math.sqrt(other.a * other.a + other.b * other.b)) / 2));
  const [a1, a2] = [stretched * one.a, stretched * other.a];
  const [c1, c2] = [Math.sqrt(a1 * a1 + one.b * one.b), Math.sqrt(a2 * a2 + other.b * other.b)];
  const isGrey = c1 * c2 === 0;
  const [h1, h2] = [hueOf(a1, one.b), hueOf(a2, other.b)];
  const apart = h2 - h1;
  const isAround = !isGrey && Math.abs(apart) > Math.PI;
  const turn = isGrey ? 0 : isAround ? apart - Math.sign(apart) * 2 * Math.PI : apart;
  const sum = h1 + h2;
  const hue = isGrey ? sum : !isAround ? sum / 2 : sum < 2 * Math.PI ? sum / 2 + Math.PI : sum / 2 - Math.PI;
  const lightness = (one.l + other.l) / 2 - 50;
  const chroma = (c1 + c2) / 2;
  const t =
    1 -
    0.17 * Math.cos(hue - 30 * DEGREE) +
    0.24 * Math.cos(2 * hue) +
    0.32 * Math.cos(3 * hue + 6 * DEGREE) -
    0.2 * Math.cos(4 * hue - 63 * DEGREE);
  const l = (other.l - one.l) / (1 + (0.015 * lightness * lightness) / Math.sqrt(20 + lightness * lightness));
  const c = (c2 - c1) / (1 + 0.045 * chroma);
  const h = (2 * Math.sqrt(c1 * c2) * Math.sin(turn / 2)) / (1 + 0.015 * chroma * t);
  const fromBlue = (hue / DEGREE - 275) / 25;
  const rotation = -2 * overGrey(chroma) * Math.sin(60 * DEGREE * Math.exp(-fromBlue * fromBlue));
  return Math.sqrt(l * l + c * c + h * h + rotation * c * h);
}

/** What two lightnesses (CIE L*) make a CIEDE2000 at least, whatever the rest of the colours is. @example lightnessDiffersBy(50, 50) // 0 */
export function lightnessDiffersBy(one: number, other: number): number {
  const fromGrey = ((one + other) / 2 - 50) ** 2;
  return Math.abs(one - other) / (1 + (0.015 * fromGrey) / Math.sqrt(20 + fromGrey));
}

/** What is left of a and b together: the rotation is below 1e-6 more than 90 degrees from 275. */
const WITHOUT_BLUE = 1 - 1e-6;
const MOST_ROTATED = 1 - Math.sin(Math.PI / 3);

/**
 * Never more than `differenceOf`, and far cheaper: what lightness makes, and of a and b the least that is left whatever their hues are. The
 * weights of chroma and hue are at most 1 + 0.045 C' with C' at most 1.5 C, and the rotation of blues takes off at most sin 60 degrees, and
 * nothing where neither colour is on the blue side.
 */
export function differsAtLeast(one: Lab, other: Lab): number {
  const l = lightnessDiffersBy(one.l, other.l);
  const chroma = 1 + 0.045 * 0.75 * (Math.sqrt(one.a * one.a + one.b * one.b) + Math.sqrt(other.a * other.a + other.b * other.b));
  const ab = ((one.a - other.a) ** 2 + (one.b - other.b) ** 2) / (chroma * chroma);
  return Math.sqrt(l * l + (one.b >= 0 && other.b >= 0 ? WITHOUT_BLUE : MOST_ROTATED) * ab);
}

/** The weight of lightness in CIEDE2000 is never above this, so colours further apart in L* than so many times a limit differ by more. */
export const MOST_LIGHTNESS_WEIGHT = 1.75;
