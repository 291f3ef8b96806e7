import type { Technique } from '../scheme/model/techniques';

/** How paint leaves the pot: what a technique uses is learned for all of a kind together. */
export const FILM_KINDS = ['brushed', 'thinned', 'dry', 'sprayed', 'paste'] as const;
export type FilmKind = (typeof FILM_KINDS)[number];

export const FILM_LABELS = {
  brushed: 'paint that is brushed on',
  thinned: 'paint that is thinned: washes, glazes, layers',
  dry: 'paint that is wiped off first: dry brush, sponge',
  sprayed: 'paint that is sprayed',
  paste: 'paste and thick effects',
} as const satisfies Record<FilmKind, string>;

/** What a technique lays down, and why so much is assumed until pots have been measured. */
export interface Film {
  kind: FilmKind;
  /** Wet film on the model, in micrometres. */
  micrometres: number;
  /** Share of what leaves the pot that never reaches the model. */
  lost: number;
  reason: string;
}

const film = (kind: FilmKind, micrometres: number, lost: number, reason: string): Film => ({ kind, micrometres, lost, reason });

const COAT = 'a coat that covers; a quarter dries in the brush and on the palette';
const THIN = 'a thin coat; what is wiped off the brush is lost';
const SMALL = 'little places with a small brush: almost half dries on it';
const WIPED = 'most is wiped off before the brush touches the model';
const SPRAYED = 'about half of a spray goes past the models';

/** Null where a technique takes no paint out of a pot. */
export const FILMS = {
  clean: null,
  assemble: null,
  mount: null,
  prime: film('sprayed', 40, 0.5, SPRAYED),
  airbrush: film('sprayed', 25, 0.5, SPRAYED),
  basecoat: film('brushed', 50, 0.25, COAT),
  translucent: film('thinned', 60, 0.2, 'one thick coat that runs into the recesses'),
  wash: film('thinned', 80, 0.2, 'flooded on; what is too much is drawn off'),
  pinwash: film('thinned', 20, 0.3, 'only along lines and rivets'),
  glaze: film('thinned', 25, 0.3, THIN),
  drybrush: film('dry', 10, 0.7, WIPED),
  overbrush: film('dry', 15, 0.6, WIPED),
  sponge: film('dry', 15, 0.6, WIPED),
  stipple: film('dry', 15, 0.6, WIPED),
  layer: film('thinned', 25, 0.3, THIN),
  edge: film('brushed', 15, 0.4, SMALL),
  detail: film('brushed', 40, 0.4, SMALL),
  eyes: film('brushed', 30, 0.4, SMALL),
  freehand: film('brushed', 30, 0.4, SMALL),
  decal: null,
  streak: film('thinned', 20, 0.4, 'drawn down and mostly wiped away again'),
  pigment: null,
  texture: film('paste', 1000, 0.15, 'a millimetre of paste; some stays on the spatula'),
  rim: film('brushed', 60, 0.25, COAT),
  scatter: null,
  varnish: film('sprayed', 40, 0.5, SPRAYED),
  'gloss-effect': film('paste', 100, 0.2, 'a thick drop that stands up'),
  inspect: null,
  touchup: film('brushed', 40, 0.4, SMALL),
  pack: null,
  seal: film('thinned', 60, 0.2, 'flooded on so that it soaks in'),
  script: film('brushed', 30, 0.4, SMALL),
  lining: film('brushed', 30, 0.4, SMALL),
  lens: film('brushed', 30, 0.4, SMALL),
  glow: film('thinned', 20, 0.4, THIN),
} as const satisfies Record<Technique, Film | null>;

/** Stays on the palette for every coat and every pot it takes, in millilitres. */
export const PALETTE_ML = 0.1;
/** A drop out of a dropper bottle, in millilitres. */
export const DROP_ML = 0.05;
/** So much more is mixed than is needed: a mix that runs out before the last model cannot be matched. */
export const MIXED_OVER = 1.15;

/** How much more than assumed each kind takes, as pots have taught; 1 where nothing was learned. */
export type FilmFactors = Partial<Record<FilmKind, number>>;

/** Square centimetres under so many micrometres, in millilitres. */
const ML_PER_CM2_MICROMETRE = 1e-4;

/**
 * Millilitres out of the pot for one coat over a surface (cm2, of all models together), without what stays on the palette; 0 for a technique
 * without paint.
 *
 * @example coatMl('basecoat', 150) // 1
 */
export function coatMl(technique: Technique, surfaceCm2: number, factors: FilmFactors = {}): number {
  const of: Film | null = FILMS[technique];
  if (of === null) return 0;
  return ((surfaceCm2 * of.micrometres * ML_PER_CM2_MICROMETRE) / (1 - of.lost)) * (factors[of.kind] ?? 1);
}
