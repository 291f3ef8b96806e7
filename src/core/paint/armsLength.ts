import type { Pot } from '../scheme/model/pots';
import { includesStandard, type Part, type Scheme, type Standard, type Step } from '../scheme/model/definitions';
import type { Technique } from '../scheme/model/techniques';

/** A colour of a unit as it is seen at arm's length. */
export interface SeenColour {
  potId: string;
  name: string;
  hex: string;
  /** Of the surface of a model, 0 to 1; together 1. */
  share: number;
}

/** How much of what it is laid over a technique hides; what only tints is left out. */
const HIDES: Partial<Record<Technique, number>> = {
  prime: 1,
  airbrush: 1,
  basecoat: 1,
  translucent: 1,
  layer: 1,
  edge: 1,
  detail: 1,
  eyes: 1,
  freehand: 1,
  script: 1,
  lining: 1,
  lens: 1,
  texture: 1,
  rim: 1,
  drybrush: 0.5,
  overbrush: 0.6,
  sponge: 0.5,
  stipple: 0.5,
};

/**
 * What is seen of a model's colours when it is done, by share of its surface, the largest first: what is laid on later lies over what was
 * there before, within its part; what nothing covers keeps its primer.
 */
export function colourShares(scheme: Scheme, standard: Standard, potOf: (step: Step) => Pot | null): SeenColour[] {
  const shares = new Map<string, SeenColour>();
  const add = (pot: Pot, share: number) => {
    const known = shares.get(pot.id) ?? { potId: pot.id, name: pot.name, hex: pot.hex, share: 0 };
    shares.set(pot.id, { ...known, share: known.share + share });
  };
  const layersOf = (steps: readonly Step[]) =>
    steps.flatMap((step) => {
      const pot = includesStandard(standard, step.standard) ? potOf(step) : null;
      const hides = HIDES[step.technique] ?? 0;
      return pot && hides > 0 ? [{ pot, covers: step.coverage, hides }] : [];
    });
  const lay = (whole: number, steps: readonly Step[]): number => {
    let open = whole;
    for (const { pot, covers, hides } of layersOf(steps).reverse()) {
      const seen = Math.min(open, covers) * hides;
      if (seen > 0) add(pot, seen);
      open -= seen;
    }
    return open;
  };
  let bare = Math.max(0, 1 - scheme.parts.reduce((sum, part) => sum + part.surface, 0));
  for (const part of scheme.parts) bare += lay(surfaceOf(part), part.steps);
  const ground = layersOf(scheme.allOver).at(0);
  if (ground && bare > 0) add(ground.pot, bare);
  const whole = [...shares.values()].reduce((sum, { share }) => sum + share, 0);
  return [...shares.values()].map((seen) => ({ ...seen, share: seen.share / whole })).sort((a, b) => b.share - a.share);
}

/** A part is at least as large as the base coat that covers it. */
const surfaceOf = ({ surface, steps }: Part): number =>
  Math.max(surface, ...steps.filter(({ technique }) => technique === 'basecoat').map(({ coverage }) => coverage));
