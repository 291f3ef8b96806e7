import { hexOfLinear, luminanceOf, type LinearRgb } from './linearRgb';

/** A photograph's pixels, row by row, four bytes each: sRGB and how opaque it is. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

const linear = (byte: number): number => {
  const value = byte / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
};

/** The mean colour (linear sRGB) around a pixel, so far to each side; what lies outside the picture is left out. */
export function colourAt({ width, height, data }: Pixels, x: number, y: number, reach = 2): LinearRgb {
  const sum = [0, 0, 0];
  let count = 0;
  for (let row = Math.max(0, y - reach); row <= Math.min(height - 1, y + reach); row++)
    for (let column = Math.max(0, x - reach); column <= Math.min(width - 1, x + reach); column++) {
      const at = 4 * (row * width + column);
      for (let band = 0; band < 3; band++) sum[band]! += linear(data[at + band]!);
      count++;
    }
  return [sum[0]! / count, sum[1]! / count, sum[2]! / count];
}

const DARKEST = 0.001;

/**
 * A colour as it would be in neutral light, by a patch that is known to be grey: each of red, green and blue is scaled so that the patch
 * has none of a hue (von Kries). How bright it is stays.
 */
export function balanced(colour: LinearRgb, grey: LinearRgb | null): string {
  if (grey === null) return hexOfLinear(colour);
  const level = luminanceOf(grey);
  const scaled = colour.map((value, band) => (value * level) / Math.max(DARKEST, grey[band]!));
  return hexOfLinear([scaled[0]!, scaled[1]!, scaled[2]!]);
}
