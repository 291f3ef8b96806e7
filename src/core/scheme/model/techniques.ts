import { isOneOf } from '../../kernel/isOneOf';
import type { PaintKind } from './paintKinds';
import type { Moment } from './moments';

export const TECHNIQUES = [
  'clean',
  'assemble',
  'mount',
  'prime',
  'airbrush',
  'basecoat',
  'translucent',
  'wash',
  'pinwash',
  'glaze',
  'drybrush',
  'overbrush',
  'sponge',
  'stipple',
  'layer',
  'edge',
  'detail',
  'eyes',
  'freehand',
  'decal',
  'streak',
  'pigment',
  'texture',
  'rim',
  'scatter',
  'varnish',
  'gloss-effect',
  'inspect',
  'touchup',
  'pack',
  'seal',
  'script',
  'lining',
  'lens',
  'glow',
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** What is in the hand. Changing it costs changeover minutes. */
export type Hand = 'none' | 'knife' | 'glue' | 'spray' | 'airbrush' | 'broad brush' | 'fine brush' | 'dry brush' | 'sponge' | 'tweezers';

export interface TechniqueFacts {
  label: string;
  hand: Hand;
  /** When it usually stands in the life of a model. */
  moment: Moment;
  /** Usual drying on a bench at 20 C, minutes. */
  dryMinutes: number;
  /** Not to be picked up for so long, minutes. */
  handleMinutes: number;
  /** Takes paint; false for work with tools alone. */
  usesPaint: boolean;
  /** Slips onto neighbours, which should therefore be painted later. */
  messy: boolean;
  caution: string | null;
}

const SPRAY_CAUTION =
  'Spray outdoors or with extraction, away from flames, wearing a respirator for organic vapours. The label and local rules come first.';
const SOLVENT_CAUTION = 'Oil or enamel: solvent fumes. Air the room and wear gloves. The label and local rules come first.';
const DUST_CAUTION = 'Wear a dust mask. The label and local rules come first.';

const facts = (
  label: string,
  hand: Hand,
  moment: Moment,
  dryMinutes: number,
  more: Partial<Omit<TechniqueFacts, 'label' | 'hand' | 'moment' | 'dryMinutes'>> = {},
): TechniqueFacts => ({ label, hand, moment, dryMinutes, handleMinutes: 0, usesPaint: true, messy: false, caution: null, ...more });

/** Every technique the program ships: drying and cautions from the domain's table of techniques. */
export const TECHNIQUE_FACTS = {
  clean: facts('Clean', 'knife', 'build', 0, {
    usesPaint: false,
    caution: 'Cut away from your fingers. Resin dust: sand wet and wear a mask. The label and local rules come first.',
  }),
  assemble: facts('Assemble', 'glue', 'build', 30, {
    usesPaint: false,
    handleMinutes: 10,
    caution: 'Glue: mind fumes, skin and eyes. The label and local rules come first.',
  }),
  mount: facts('Mount', 'glue', 'build', 0, { usesPaint: false }),
  prime: facts('Prime', 'spray', 'prime', 30, { handleMinutes: 15, messy: true, caution: SPRAY_CAUTION }),
  airbrush: facts('Airbrush', 'airbrush', 'base', 10, {
    messy: true,
    caution: 'Airbrush with extraction and a mask. The label and local rules come first.',
  }),
  basecoat: facts('Base coat', 'broad brush', 'base', 15),
  translucent: facts('Translucent coat', 'broad brush', 'base', 30),
  wash: facts('Wash', 'broad brush', 'shade', 30, { messy: true }),
  pinwash: facts('Pin wash', 'fine brush', 'highlight', 20, { caution: SOLVENT_CAUTION }),
  glaze: facts('Glaze', 'fine brush', 'highlight', 15),
  drybrush: facts('Dry brush', 'dry brush', 'highlight', 3, { messy: true }),
  overbrush: facts('Overbrush', 'dry brush', 'highlight', 5, { messy: true }),
  sponge: facts('Sponge', 'sponge', 'weather', 5, { messy: true }),
  stipple: facts('Stipple', 'broad brush', 'highlight', 8),
  layer: facts('Layer', 'fine brush', 'highlight', 8),
  edge: facts('Edge line', 'fine brush', 'highlight', 5),
  detail: facts('Detail', 'fine brush', 'detail', 8),
  eyes: facts('Eyes', 'fine brush', 'detail', 5),
  freehand: facts('Freehand', 'fine brush', 'detail', 8),
  script: facts('Script', 'fine brush', 'detail', 5),
  lining: facts('Dark lining', 'fine brush', 'detail', 8),
  lens: facts('Lens or gem', 'fine brush', 'detail', 8),
  glow: facts('Glow', 'fine brush', 'detail', 15),
  decal: facts('Transfer', 'tweezers', 'detail', 30, { usesPaint: false }),
  streak: facts('Streaks', 'broad brush', 'weather', 30, { caution: SOLVENT_CAUTION }),
  pigment: facts('Powders', 'broad brush', 'sealed', 60, {
    messy: true,
    caution: DUST_CAUTION,
  }),
  texture: facts('Texture', 'tweezers', 'ground', 60, { handleMinutes: 20 }),
  seal: facts('Seal the paste', 'broad brush', 'ground', 60, { usesPaint: false, handleMinutes: 20 }),
  rim: facts('Rim', 'broad brush', 'rim', 15),
  scatter: facts('Scatter', 'tweezers', 'detail', 60, { usesPaint: false, handleMinutes: 10 }),
  varnish: facts('Varnish', 'spray', 'varnish', 60, { handleMinutes: 30, messy: true, caution: SPRAY_CAUTION }),
  'gloss-effect': facts('Gloss effect', 'fine brush', 'sealed', 120, { handleMinutes: 15 }),
  inspect: facts('Inspect', 'none', 'end', 0, { usesPaint: false }),
  touchup: facts('Touch up', 'fine brush', 'detail', 10),
  pack: facts('Pack', 'none', 'end', 0, { usesPaint: false }),
} as const satisfies Record<Technique, TechniqueFacts>;

/** The facts of a technique as the general type, so that optional fields read alike for all. */
export const factsOf = (technique: Technique): TechniqueFacts => TECHNIQUE_FACTS[technique];

/**
 * A technique of the painter's own: like a shipped one in all that it does not say itself. A step carries it whole, so that files, kept
 * schemes and closed work need nothing beside them.
 */
export interface OwnTechnique {
  id: string;
  name: string;
  like: Technique;
  /** When it stands in the life of a model; null as the one it is like. */
  moment: Moment | null;
  /** Times as long as the one it is like. */
  effort: number;
  /** Null: as the one it is like. */
  dryMinutes: number | null;
  /** Times as much paint as the one it is like. */
  film: number;
  /** What is in the hand, in the painter's words; empty as the one it is like. */
  brush: string;
  /** What to mind, beside what is said of the one it is like. */
  caution: string;
}

/** Work as it is called. */
export interface Named {
  technique: Technique;
  own?: Pick<OwnTechnique, 'name'> | undefined;
  /** The same of a row of the log; null or left out for a shipped technique. */
  called?: string | null | undefined;
}

/** What of a technique of the painter's own is said where it is painted; nothing for a shipped one. */
export const ownWords = ({ own }: { own?: OwnTechnique }): { own?: Pick<OwnTechnique, 'name' | 'caution'> } =>
  own ? { own: { name: own.name, caution: own.caution } } : {};

/** @example labelOf({ technique: 'basecoat' }) // 'Base coat' */
export const labelOf = ({ technique, own, called }: Named): string => own?.name ?? called ?? factsOf(technique).label;

/**
 * No countdown is ever shown while a knife or a spray can is in the hand.
 *
 * @example allowsCountdown('clean') // false
 */
export const allowsCountdown = (technique: Technique): boolean => !isOneOf(factsOf(technique).hand, 'knife', 'spray', 'airbrush');

/**
 * What to mind of a technique with what is on the brush: powders raise dust and effects are solvents whatever they are laid on with, and
 * work that is mostly done in oil or enamel is harmless with a water-based paint. Nothing known of the paint counts as the worse.
 *
 * @example cautionOf({ technique: 'pinwash' }, 'wash') // null
 */
export function cautionOf({ technique, own }: Cautioned, kind: PaintKind | null): string | null {
  const said = [usualCaution(technique, kind), own?.caution.trim()].filter(Boolean);
  return said.length === 0 ? null : said.join(' ');
}

interface Cautioned extends Named {
  own?: Pick<OwnTechnique, 'name' | 'caution'> | undefined;
}

function usualCaution(technique: Technique, kind: PaintKind | null): string | null {
  const { caution, hand } = factsOf(technique);
  const isSprayed = isOneOf(hand, 'spray', 'airbrush');
  if (kind === 'effect' && !isSprayed) return SOLVENT_CAUTION;
  if (kind === 'powder' && !isSprayed) return DUST_CAUTION;
  return caution === SOLVENT_CAUTION && kind !== null ? null : caution;
}

const USUAL_KINDS: Partial<Record<Technique, PaintKind>> = {
  prime: 'primer',
  wash: 'wash',
  pinwash: 'wash',
  glaze: 'translucent',
  translucent: 'translucent',
  streak: 'effect',
  pigment: 'powder',
  texture: 'texture',
  varnish: 'varnish',
  'gloss-effect': 'varnish',
};

/**
 * What a new paint most likely is, by what it is wanted for.
 *
 * @example usualKind('wash') // 'wash'
 */
export const usualKind = (technique: Technique): PaintKind => USUAL_KINDS[technique] ?? 'opaque';

/** Painted by the piece, as many as there are on a model. */
export const isByPiece = (technique: Technique): boolean => technique === 'decal';
/** What it takes is care, not surface. */
export const isByCare = (technique: Technique): boolean => isOneOf(technique, 'freehand', 'touchup');

/** What painters also call techniques; each is known by its label and its id too. */
export const OTHER_NAMES: Readonly<Record<string, Technique>> = {
  base: 'basecoat',
  coat: 'basecoat',
  shade: 'wash',
  highlight: 'layer',
  line: 'edge',
  primer: 'prime',
  undercoat: 'prime',
  dry: 'drybrush',
  brush: 'drybrush',
  translucent: 'translucent',
  chips: 'sponge',
  powder: 'pigment',
  paste: 'texture',
  sand: 'texture',
  tufts: 'scatter',
  matt: 'varnish',
};
