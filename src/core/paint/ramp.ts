import type { Mixer, Pigment } from '../colour/mixing';
import { labOfLinear, lightnessOf } from '../colour/difference';
import { wholeDrops } from '../colour/wholeDrops';

/** A step of a ramp of highlights. */
export interface RampStep {
  /** Whole drops of the dark and of the light paint, in lowest terms. */
  dark: number;
  light: number;
  hex: string;
  /** CIE L*. */
  lightness: number;
  wanted: number;
  /** Drops of the light paint to add to one batch of the step before; null where only a fresh mix has this ratio. */
  more: number | null;
}

export interface RampWish {
  steps: number;
  /** Most drops of one mix. */
  mostDrops: number;
  /** How far towards the light paint the last step goes, 0 to 1. */
  reach?: number;
}

/** Differences are compared to so many decimals, so that the last bits of a float decide nothing. */
export const sixDecimals = (value: number): number => Math.round(value * 1e6);

/**
 * From a dark paint to a light one in even steps of L*: each the mix, with more of the light paint than the step before, that is nearest to
 * the lightness wanted; of equals the one of fewer drops. Ends early where nothing lighter can be mixed.
 */
export function rampOf(dark: Pigment, light: Pigment, { steps, mostDrops, reach = 1 }: RampWish, mixer: Mixer): RampStep[] {
  const [from, to] = [lightnessOf(dark), lightnessOf(light)];
  const candidates = [[1, 0], [0, 1], ...wholeDrops(2, mostDrops)].map(([a, b]) => {
    const shares = [
      { pigment: dark, parts: a! },
      { pigment: light, parts: b! },
    ];
    return { dark: a!, light: b!, share: b! / (a! + b!), hex: mixer.hexOf(shares), lightness: labOfLinear(mixer.mixed(shares)).l };
  });
  const ramp: RampStep[] = [];
  let before = { dark: 1, light: 0, share: 0 };
  for (let index = 1; index <= steps; index++) {
    const wanted = from + (reach * (to - from) * index) / steps;
    const lighter = candidates.filter(({ share }) => share > before.share);
    if (lighter.length === 0) break;
    const off = ({ lightness }: { lightness: number }) => sixDecimals(Math.abs(lightness - wanted));
    const best = lighter.reduce((least, each) => {
      const worse = off(each) - off(least) || each.dark + each.light - (least.dark + least.light);
      return worse < 0 ? each : least;
    });
    const { share: _share, ...step } = best;
    ramp.push({ ...step, wanted, more: ramp.length === 0 ? null : moreDrops(before, best) });
    before = best;
  }
  return ramp;
}

/** Whole drops of light that turn a batch of one ratio into another; null where there are none, or no dark would be left in it. */
function moreDrops(from: { dark: number; light: number }, to: { dark: number; light: number }): number | null {
  if (to.dark === 0) return null;
  const drops = (to.light * from.dark) / to.dark - from.light;
  return Number.isInteger(drops) && drops > 0 ? drops : null;
}
