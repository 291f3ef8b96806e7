import { converter, formatHex, type Lrgb } from './culori';

/** Linear-light sRGB under D65: red, green and blue, 0 to 1. */
export type LinearRgb = readonly [number, number, number];

const toLinear = converter('lrgb');

/** @example linearOf('#ffffff') // [1, 1, 1] */
export function linearOf(hex: string): LinearRgb {
  const { r, g, b } = toLinear(hex)!;
  return [r, g, b];
}

/** Clipped to what a screen shows. @example hexOfLinear([1, 1, 2]) // '#ffffff' */
export function hexOfLinear([r, g, b]: LinearRgb): string {
  const clip = (value: number) => Math.min(1, Math.max(0, value));
  const colour: Lrgb = { mode: 'lrgb', r: clip(r), g: clip(g), b: clip(b) };
  return formatHex(colour);
}

/** Relative luminance, 0 to 1, by the weights of ITU-R BT.709. @example luminanceOf([1, 1, 1]) // 1 */
export const luminanceOf = ([r, g, b]: LinearRgb): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
