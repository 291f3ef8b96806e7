import { SURFACE_CM2, type Size } from '../../scheme/model/definitions';
import { effortOf, type Pass } from '../../scheme/passes/passes';
import type { Technique } from '../../scheme/model/techniques';

/** Minutes for one model: picking it up, then the painted surface. */
interface Norm {
  perModel: number;
  perCm2: number;
}

/**
 * Norms for a practised painter in a batch. Set so that schemes of five to nine parts on a foot figure come to the
 * hours of the standards: quick 8 to 20 minutes, table 20 to 50, full 60 to 110, display 120 to 240.
 */
const NORMS = {
  clean: { perModel: 0.5, perCm2: 0.06 },
  assemble: { perModel: 1, perCm2: 0.05 },
  mount: { perModel: 0.5, perCm2: 0 },
  prime: { perModel: 0.15, perCm2: 0.012 },
  airbrush: { perModel: 0.2, perCm2: 0.015 },
  basecoat: { perModel: 0.3, perCm2: 0.16 },
  translucent: { perModel: 0.3, perCm2: 0.14 },
  wash: { perModel: 0.2, perCm2: 0.05 },
  pinwash: { perModel: 0.4, perCm2: 0.2 },
  glaze: { perModel: 0.3, perCm2: 0.18 },
  drybrush: { perModel: 0.2, perCm2: 0.08 },
  overbrush: { perModel: 0.2, perCm2: 0.09 },
  sponge: { perModel: 0.3, perCm2: 0.1 },
  stipple: { perModel: 0.3, perCm2: 0.15 },
  layer: { perModel: 0.4, perCm2: 0.3 },
  edge: { perModel: 0.5, perCm2: 0.38 },
  detail: { perModel: 0.7, perCm2: 0.45 },
  eyes: { perModel: 2, perCm2: 0.5 },
  freehand: { perModel: 4, perCm2: 1 },
  script: { perModel: 3, perCm2: 0.8 },
  lining: { perModel: 0.6, perCm2: 0.4 },
  lens: { perModel: 1.2, perCm2: 0.8 },
  glow: { perModel: 0.8, perCm2: 0.35 },
  decal: { perModel: 2.5, perCm2: 0.2 },
  streak: { perModel: 0.5, perCm2: 0.12 },
  pigment: { perModel: 0.4, perCm2: 0.08 },
  texture: { perModel: 0.5, perCm2: 0.1 },
  seal: { perModel: 0.3, perCm2: 0.07 },
  rim: { perModel: 0.5, perCm2: 0.06 },
  scatter: { perModel: 0.6, perCm2: 0.1 },
  varnish: { perModel: 0.15, perCm2: 0.012 },
  'gloss-effect': { perModel: 0.4, perCm2: 0.2 },
  inspect: { perModel: 0.3, perCm2: 0.004 },
  touchup: { perModel: 0.4, perCm2: 0.2 },
  pack: { perModel: 0.8, perCm2: 0.002 },
} as const satisfies Record<Technique, Norm>;

/**
 * The shipped norm: minutes per model for a technique on a share (0 to 1) of the surface of a model of this size.
 *
 * @example normMinutes('basecoat', 'foot', 0.5) // 2.7
 */
export function normMinutes(technique: Technique, size: Size, coverage: number): number {
  const { perModel, perCm2 } = NORMS[technique];
  return perModel + perCm2 * SURFACE_CM2[size] * coverage;
}

/** The same for a pass, on one ordinary model of this size. */
export const normOfPass =
  (size: Size) =>
  (pass: Pick<Pass, 'step' | 'part' | 'half'>): number =>
    normMinutes(pass.step.technique, size, pass.step.coverage) * effortOf(pass);
