import { isOneOf } from '../../kernel/isOneOf';
import type { Part } from '../model/definitions';
import { TECHNIQUES, factsOf, type Technique, labelOf } from '../model/techniques';
import { isLaidOn } from '../model/field';
import { inField } from './field';
import { nameOf, type RuleContext } from './ruleTerms';
import type { RulesWork } from './rulesWork';
import type { StagedPass } from './stagedPasses';

/**
 * Work on one place mars another that is painted already: which share of it has to be painted again. Assumptions of ours, which the
 * painter's own touch-ups correct.
 */

/** Share of a neighbour's surface that one pass mars: where it touches it, and elsewhere on the model. */
interface Reach {
  touching: number;
  elsewhere: number;
  /** What it does to it, in words. */
  does: string;
}

const reach = (touching: number, elsewhere: number, does: string): Reach => ({ touching, elsewhere, does });

const SLIPS = reach(0.05, 0, 'slips onto');
const REACHES: { [T in Technique]?: Reach | null } = {
  airbrush: reach(0.6, 0.4, 'mists'),
  drybrush: reach(0.5, 0.1, 'dusts'),
  overbrush: reach(0.5, 0.1, 'dusts'),
  sponge: reach(0.3, 0.05, 'speckles'),
  stipple: reach(0.3, 0.05, 'speckles'),
  pigment: reach(0.3, 0.2, 'dusts'),
  wash: reach(0.3, 0, 'runs onto'),
  streak: reach(0.2, 0, 'runs onto'),
  texture: reach(0.2, 0, 'smears'),
  seal: reach(0.2, 0, 'runs onto'),
  basecoat: reach(0.1, 0.02, 'slips onto'),
  translucent: reach(0.1, 0.02, 'slips onto'),
  scatter: reach(0.1, 0, 'falls onto'),
  // Sprayed over everything, or no paint at all.
  prime: null,
  varnish: null,
  clean: null,
  assemble: null,
  mount: null,
  decal: null,
  inspect: null,
  pack: null,
};

export const REACH_OF: ReadonlyMap<Technique, Reach | null> = new Map(
  TECHNIQUES.map((technique) => [technique, REACHES[technique] === undefined ? SLIPS : REACHES[technique]]),
);

/** A narrow jet reaches three times as far as what it covers. */
const JET = 3;
/** Where it is hard to reach the brush slips twice as often. */
const HARD_TO_REACH = 2;
/** A dry brush over several parts catches what stands out in them. */
const DUSTED_IN_ITS_FIELD = 0.4;
/** Finding the place and the pot again, minutes. */
export const FIND_AGAIN_MINUTES = 0.3;

/** Is it paint that shows, and would be painted again? */
const isMarred = ({ part, moment, step }: StagedPass): boolean =>
  part !== null &&
  (factsOf(step.technique).usesPaint || step.technique === 'decal') &&
  isOneOf(moment, 'base', 'shade', 'highlight', 'detail', 'rim', 'sealed');

/** The share of what `marred` paints that has to be painted again when `by` comes after it, 0 to 1. */
function strayShare(by: StagedPass, marred: StagedPass, context: RuleContext): number {
  const of = REACH_OF.get(by.step.technique);
  if (!of || !isMarred(marred) || by.part === marred.part) return 0;
  const share = by.part === null ? shareOfOver(by, marred, of, context) : shareOfPart(by, by.part, marred.part!, of, context);
  return Math.min(1, share * (context.strays[by.step.technique] ?? 1));
}

function shareOfPart(by: StagedPass, part: Part, marred: Part, of: Reach, { touch }: RuleContext): number {
  const share = touch(part, marred) ? of.touching : of.elsewhere;
  return share * spill(by, marred) * (part.reach === 'hard' ? HARD_TO_REACH : 1);
}

/** What goes over several parts strays beyond them, and catches what stands out in them. */
function shareOfOver(by: StagedPass, marred: StagedPass, of: Reach, context: RuleContext): number {
  const { technique } = by.step;
  if (!inField(by, marred)) {
    const touches = context.parts.some((part) => context.touch(part, marred.part!) && isLaidOn(by.step, part));
    return (touches ? of.touching : of.elsewhere) * spill(by, marred.part!);
  }
  const standsOut = isOneOf(marred.moment, 'highlight', 'detail', 'sealed') && !isOneOf(marred.step.technique, 'drybrush', 'overbrush');
  return isOneOf(technique, 'drybrush', 'overbrush') && standsOut ? DUSTED_IN_ITS_FIELD : 0;
}

/** A wash on a cord does not flood a robe. */
const spill = ({ step }: StagedPass, marred: Part): number =>
  Math.min(1, ((step.technique === 'airbrush' ? JET : 1) * step.coverage) / Math.max(marred.surface, Number.EPSILON));

/** One pass that mars another of the same unit when it comes after it. */
export interface StrayPair {
  by: StagedPass;
  marred: StagedPass;
  /** Of what the other paints, 0 to 1. */
  share: number;
}

/** All of them. */
export function* strayPairs({ staged, context }: Pick<RulesWork, 'staged' | 'context'>): Generator<StrayPair> {
  for (const by of staged)
    for (const marred of staged) {
      const share = by === marred ? 0 : strayShare(by, marred, context);
      if (share > 0) yield { by, marred, share };
    }
}

const SHARES: [least: number, words: string][] = [
  [0.95, 'all of'],
  [0.45, 'half of'],
  [0.3, 'a third of'],
];

function shareWords(share: number): string {
  const near = SHARES.find(([least]) => share >= least && share - least < 0.1);
  return near ? near[1] : `${Math.max(1, Math.round(share * 100))} % of`;
}

const minutesWords = (minutes: number): string => `${minutes >= 0.1 ? minutes.toFixed(1) : minutes.toFixed(2)} min`;

const doingOn = (by: StagedPass) => `${labelOf(by.step).toLowerCase()} on ${nameOf(by)}`;

export const strayReason = (by: StagedPass, marred: StagedPass, share: number, minutes: number): string =>
  `The ${doingOn(by)} ${REACH_OF.get(by.step.technique)!.does} ${shareWords(share)} ${nameOf(marred)}: ${minutesWords(minutes)} a model to paint again.`;

export const keepClearReason = (by: StagedPass, clear: StagedPass, minutes: number): string =>
  `${nameOf(clear)} must stay clean: the ${doingOn(by)} ${REACH_OF.get(by.step.technique)!.does} its bare ground, ${minutesWords(minutes)} a model.`;
