import { BANDS, LINEAR_RGB_FROM_REFLECTANCE } from '../colour/spectralData';
import { colourOfAbsorption, strengthOf, type Mixer } from '../colour/mixing';
import {
  differenceOf,
  differsAtLeast,
  labOf,
  labOfLinear,
  lightnessDiffersBy,
  lightnessOfLuminance,
  luminanceOfLightness,
  type Lab,
} from '../colour/difference';
import { hexOfLinear, linearOf, luminanceOf, type LinearRgb } from '../colour/linearRgb';
import { wholeDrops } from '../colour/wholeDrops';
import type { Paint } from '../scheme/model/definitions';
import { sixDecimals } from './ramp';

/** The best mix of so many paints for a wanted colour. */
export interface Match {
  /** Whole drops by the ids of the paints, in lowest terms, in the order of the shelf. */
  parts: [paint: string, drops: number][];
  hex: string;
  /** CIEDE2000 from what was wanted. */
  difference: number;
}

export interface MatchWish {
  hex: string;
  mostDrops: number;
  /** Of how many paints at most: 1 to 3. */
  mostPaints: number;
}

/** A mix of more paints has to be better by this much to be worth it: nobody sees less. */
const WORTH_IT = 1;

/** Of a lightness that is worked out with fewer decimals. */
const SLACK = 0.02;

type Shelf = readonly Pick<Paint, 'id' | 'hex' | 'kind' | 'strength'>[];

/**
 * The best mixes of one, of two, ... opaque paints of a shelf for a colour: the least difference, and of equals the fewest drops, then
 * those that stand first. Exact: every mix of the shelf is looked at, and left out only where its lightness alone is too far off.
 */
export function matchesOf(shelf: Shelf, { hex, mostDrops, mostPaints }: MatchWish, mixer: Mixer): Match[] {
  const wanted = labOf(hex);
  const opaque = shelf.filter(({ kind }) => kind === 'opaque');
  // Those that are near by themselves come first: the sooner a good mix is known, the more others need not be looked at.
  const known = opaque
    .map((paint): Known => {
      const absorption = mixer.absorption(paint.hex);
      const luminance = luminanceOf(colourOfAbsorption(absorption));
      return { paint, strength: strengthOf(paint), absorption, luminance, off: differenceOf(labOf(paint.hex), wanted) };
    })
    .sort((one, other) => one.off - other.off);
  const matches: Match[] = [];
  for (let count = 1; count <= Math.min(mostPaints, opaque.length); count++) {
    const best = count === 1 ? bestSingle(opaque, wanted) : bestMix(known, count, mostDrops, wanted);
    if (best) matches.push(best);
  }
  return matches;
}

/** The simplest that is within 1 of the best; null where there is none. */
export function recommended(matches: readonly Match[]): Match | null {
  const best = Math.min(...matches.map(({ difference }) => difference));
  return matches.find(({ difference }) => difference <= best + WORTH_IT) ?? null;
}

function bestSingle(opaque: Shelf, wanted: Lab): Match | null {
  let best: Match | null = null;
  for (const { id, hex } of opaque) {
    const difference = differenceOf(labOf(hex), wanted);
    if (best === null || sixDecimals(difference) < sixDecimals(best.difference)) best = { parts: [[id, 1]], hex, difference };
  }
  return best;
}

interface Known {
  paint: Shelf[number];
  strength: number;
  absorption: Float64Array;
  /** Of the paint alone, as its spectrum has it. */
  luminance: number;
  /** How far the paint by itself is off. */
  off: number;
}

/** Nothing of it is in the mix. */
const NOTHING: Known = {
  paint: { id: '', hex: '#000000', kind: 'opaque' },
  strength: 0,
  absorption: new Float64Array(BANDS),
  luminance: 0,
  off: Infinity,
};

function bestMix(known: readonly Known[], count: number, mostDrops: number, wanted: Lab): Match | null {
  const ways = wholeDrops(count, mostDrops)
    .map(([one = 0, two = 0, three = 0]): Way => ({ one, two, three, drops: one + two + three }))
    .sort((a, b) => a.drops - b.drops);
  const mixed = new Float64Array(3);
  const best: Best = { of: [], way: { one: 0, two: 0, three: 0, drops: Infinity }, colour: [0, 0, 0], difference: Infinity };
  let [darkest, lightest] = [-Infinity, Infinity];
  const offer = (found: Best) => {
    const worse = sixDecimals(found.difference) - sixDecimals(best.difference) || found.way.drops - best.way.drops;
    if (worse >= 0) return;
    Object.assign(best, found);
    [darkest, lightest] = luminancesWithin(wanted.l, best.difference + SLACK);
  };
  for (const of of combinations(known, count)) {
    const [first, second, third = NOTHING] = of as [Known, Known, Known?];
    // A spectrum cannot be quite black or white, and a mix of such a colour with itself still is.
    if (of.every(({ paint }) => paint.hex === first.paint.hex)) {
      offer({ of, way: ways[0]!, colour: linearOf(first.paint.hex), difference: first.off });
      continue;
    }
    const [darkFirst, darkSecond, darkThird] = tangent(first.absorption, second.absorption, third.absorption, count);
    for (const way of ways) {
      const [a, b, c] = [way.one * first.strength, way.two * second.strength, way.three * third.strength];
      const whole = a + b + c;
      // A mix is never lighter than its paints side by side: reflectance is a convex function of K/S.
      if (a * first.luminance + b * second.luminance + c * third.luminance < darkest * whole) continue;
      if (a * darkFirst + b * darkSecond + c * darkThird > lightest * whole) continue;
      mixInto(mixed, first.absorption, second.absorption, third.absorption, a / whole, b / whole, c / whole);
      const [red, green, blue] = [mixed[0]!, mixed[1]!, mixed[2]!];
      const luminance = luminanceOf([red, green, blue]);
      if (luminance < darkest || luminance > lightest) continue;
      const lab = labOfLinear([red, green, blue]);
      if (differsAtLeast(lab, wanted) > best.difference + SLACK) continue;
      offer({ of, way, colour: [red, green, blue], difference: differenceOf(lab, wanted) });
    }
  }
  if (best.of.length === 0) return null;
  const drops = [best.way.one, best.way.two, best.way.three];
  return {
    parts: best.of.map(({ paint }, at) => [paint.id, drops[at]!]),
    hex: hexOfLinear(best.colour),
    difference: best.difference,
  };
}

/** Halvings of a range: a luminance to far more digits than are compared. */
const HALVINGS = 60;

/** The darkest and the lightest luminance that can still be so near to a lightness (CIE L*), whatever its hue is; a little more. */
function luminancesWithin(lightness: number, difference: number): [darkest: number, lightest: number] {
  const isNear = (luminance: number) => lightnessDiffersBy(lightnessOfLuminance(luminance), lightness) <= difference;
  const own = luminanceOfLightness(lightness);
  const edge = (near: number, far: number) => {
    if (isNear(far)) return far < near ? -Infinity : Infinity;
    let [inside, outside] = [near, far];
    for (let halving = 0; halving < HALVINGS; halving++) {
      const middle = (inside + outside) / 2;
      if (isNear(middle)) inside = middle;
      else outside = middle;
    }
    return outside;
  };
  return [edge(own, DARKEST), edge(own, LIGHTEST)];
}

/** Mixes that no screen shows are a little beyond black and white. */
const [DARKEST, LIGHTEST] = [-0.05, 1.5];

interface Way {
  one: number;
  two: number;
  three: number;
  drops: number;
}

interface Best {
  of: Known[];
  way: Way;
  colour: LinearRgb;
  difference: number;
}

/** All ways to choose so many. */
function* combinations<T>(all: readonly T[], count: number, from = 0): Generator<T[]> {
  if (count === 0) return yield [];
  for (let index = from; index < all.length; index++)
    for (const rest of combinations(all, count - 1, index + 1)) yield [all[index]!, ...rest];
}

const [RED, GREEN, BLUE] = LINEAR_RGB_FROM_REFLECTANCE as [Float64Array, Float64Array, Float64Array];

/**
 * What each of up to three paints gives to a luminance that no mix of them is below: a convex function is never under its tangent, here that
 * at equal shares.
 */
function tangent(one: Float64Array, two: Float64Array, three: Float64Array, count: number): [number, number, number] {
  let [first, second, third] = [0, 0, 0];
  for (let band = 0; band < RED.length; band++) {
    const ks = (one[band]! + two[band]! + three[band]!) / count;
    const root = Math.sqrt(ks * (ks + 2));
    const slope = 1 - (ks + 1) / root;
    const weight = luminanceOf([RED[band]!, GREEN[band]!, BLUE[band]!]);
    const at = 1 + ks - root;
    first += weight * (at + slope * (one[band]! - ks));
    second += weight * (at + slope * (two[band]! - ks));
    third += weight * (at + slope * (three[band]! - ks));
  }
  return [first, second, third];
}

/**
 * The linear colour of a mix of up to three paints by their shares: the same as `Mixer` has it, written out, as it is asked a million times.
 * Two bands at once, there is an even number of them: sums that do not wait for each other are done in half the time.
 */
function mixInto(colour: Float64Array, one: Float64Array, two: Float64Array, three: Float64Array, a: number, b: number, c: number): void {
  let [red, green, blue, nextRed, nextGreen, nextBlue] = [0, 0, 0, 0, 0, 0];
  for (let band = 0; band < BANDS; band += 2) {
    const next = band + 1;
    const ks = a * one[band]! + b * two[band]! + c * three[band]!;
    const nextKs = a * one[next]! + b * two[next]! + c * three[next]!;
    const reflectance = 1 + ks - Math.sqrt(ks * (ks + 2));
    const nextReflectance = 1 + nextKs - Math.sqrt(nextKs * (nextKs + 2));
    red += RED[band]! * reflectance;
    green += GREEN[band]! * reflectance;
    blue += BLUE[band]! * reflectance;
    nextRed += RED[next]! * nextReflectance;
    nextGreen += GREEN[next]! * nextReflectance;
    nextBlue += BLUE[next]! * nextReflectance;
  }
  colour[0] = red + nextRed;
  colour[1] = green + nextGreen;
  colour[2] = blue + nextBlue;
}
