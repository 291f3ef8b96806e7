import { linearOf, type LinearRgb } from './linearRgb';
import { differenceOf, labOfLinear, type Lab } from './difference';

/**
 * How people without one kind of cone see linear sRGB. G. M. Machado, M. M. Oliveira and L. A. F. Fernandes, "A physiologically-based model
 * for simulation of color vision deficiency", IEEE Transactions on Visualization and Computer Graphics 15 (2009), severity 1.
 */
const EYES = {
  protanopia: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  deuteranopia: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
} as const;

/** Without red cones, without green ones; about one man in fifty each, weaker kinds not counted. */
export type ColourBlindEye = keyof typeof EYES;
export const COLOUR_BLIND_EYES = Object.keys(EYES) as ColourBlindEye[];

/** A colour as such an eye sees it, told in a colour that the usual eye sees so. */
export function asSeenBy(eye: ColourBlindEye, colour: LinearRgb): [number, number, number] {
  const seen = EYES[eye].map(([r, g, b]) => Math.min(1, Math.max(0, r * colour[0] + g * colour[1] + b * colour[2])));
  return seen as [number, number, number];
}

/** A colour as the usual eye and the two others see it. */
export function seenByAll(hex: string): Lab[] {
  const colour = linearOf(hex);
  return [labOfLinear(colour), ...COLOUR_BLIND_EYES.map((eye) => labOfLinear(asSeenBy(eye, colour)))];
}

/** How different two colours are at least, for any of those eyes: CIEDE2000. @example leastDifference(seenByAll('#808080'), seenByAll('#808080')) // 0 */
export const leastDifference = (a: readonly Lab[], b: readonly Lab[]): number =>
  Math.min(...a.map((seen, eye) => differenceOf(seen, b[eye]!)));
