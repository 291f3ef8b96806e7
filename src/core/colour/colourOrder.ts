import { labOf } from './difference';

/** Below this chroma (CIE C* under D65) a colour is a grey of its own kind: what hue it has is not what one looks for. */
const GREY_CHROMA = 9;
/** Hues within a twelfth of the circle stand together, from dark to light. */
const HUE_SECTORS = 12;
/** The circle is opened at purple, so that reds come first. */
const FIRST_HUE = 345;

/** Paints as they are looked for in a rack: greys from dark to light, then round the hues, each from dark to light. */
export function byColour<T extends { hex: string; name: string }>(paints: readonly T[]): T[] {
  return paints
    .map((paint) => ({ paint, ...placeOf(paint.hex) }))
    .sort((a, b) => a.sector - b.sector || a.lightness - b.lightness || (a.paint.name < b.paint.name ? -1 : 1))
    .map(({ paint }) => paint);
}

function placeOf(hex: string): { sector: number; lightness: number } {
  const { l, a, b } = labOf(hex);
  if (Math.hypot(a, b) < GREY_CHROMA) return { sector: -1, lightness: l };
  const hue = (Math.atan2(b, a) * 180) / Math.PI;
  const turned = (hue - FIRST_HUE + 720) % 360;
  return { sector: Math.floor((turned * HUE_SECTORS) / 360), lightness: l };
}
