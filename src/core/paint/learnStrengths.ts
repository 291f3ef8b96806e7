import { differenceOf, labOf, labOfLinear, type Lab } from '../colour/difference';
import { leastSquares } from '../kernel/leastSquares';
import { strengthOf, usualStrength, type Mixer, type Pigment } from '../colour/mixing';

/** What a mix looked like when it was dry, as the painter said it. */
export interface SeenMix {
  id: string;
  /** UTC ISO 8601. */
  at: string;
  /** What it is called. */
  mix: string;
  /** How much of it each paint is, by the ids of the paints; together 1. */
  shares: Record<string, number>;
  /** sRGB. */
  hex: string;
}

/** Standard deviation of the log of a strength around what is usual for its colour. */
const PRIOR_SD = 0.5;

interface Seen {
  shares: [paint: string, share: number][];
  lab: Lab;
}

/**
 * The strengths of paints that what was seen of their mixes makes most probable: least squares in L*, a*, b* over all of them, shrunk
 * towards the usual in the log of the strength (standard deviation 0.5). Paints in none are left out, and so are mixes of one colour alone.
 */
export function learnStrengths(seen: readonly SeenMix[], paints: ReadonlyMap<string, Pigment>, mixer: Mixer): Map<string, number> {
  const known = seen.flatMap(({ shares, hex }): Seen[] => {
    const its = Object.entries(shares).filter(([id]) => paints.has(id));
    return its.length < 2 ? [] : [{ shares: its, lab: labOf(hex) }];
  });
  const ids = [...new Set(known.flatMap(({ shares }) => shares.map(([id]) => id)))].sort();
  const usual = new Map(ids.map((id) => [id, usualStrength(paints.get(id)!.hex)]));
  const residualsOf = (logs: readonly number[]): number[] => {
    const strengths = new Map(ids.map((id, index) => [id, usual.get(id)! * Math.exp(logs[index]!)]));
    const off = known.flatMap(({ shares, lab }) => {
      const mixed = labOfLinear(
        mixer.mixed(shares.map(([id, parts]) => ({ pigment: { hex: paints.get(id)!.hex, strength: strengths.get(id)! }, parts }))),
      );
      return [mixed.l - lab.l, mixed.a - lab.a, mixed.b - lab.b];
    });
    return [...off, ...logs.map((log) => log / PRIOR_SD)];
  };
  const logs = leastSquares(
    residualsOf,
    ids.map(() => 0),
  );
  return new Map(ids.map((id, index) => [id, usual.get(id)! * Math.exp(logs[index]!)]));
}

/** How far the prediction of a mix was off what was seen: with the usual strengths, and with those that were learned. CIEDE2000. */
export function howFarOffSeen(
  { shares, hex }: Pick<SeenMix, 'shares' | 'hex'>,
  paints: ReadonlyMap<string, Pigment>,
  mixer: Mixer,
): { before: number; after: number } | null {
  const its = Object.entries(shares).filter(([id]) => paints.has(id));
  if (its.length === 0) return null;
  const of = (strength: (paint: Pigment) => number) =>
    differenceOf(
      labOfLinear(
        mixer.mixed(its.map(([id, parts]) => ({ pigment: { hex: paints.get(id)!.hex, strength: strength(paints.get(id)!) }, parts }))),
      ),
      labOf(hex),
    );
  return { before: of(({ hex: own }) => usualStrength(own)), after: of(strengthOf) };
}
