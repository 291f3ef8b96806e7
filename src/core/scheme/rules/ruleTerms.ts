import type { Part } from '../model/definitions';
import { MOMENTS, type Moment } from '../model/moments';
import type { Schools } from '../model/schools';
import { isFirstPaint, isHandPainted, isMessy, isNeat, type StagedPass } from './stagedPasses';
import { factsOf, type Technique } from '../model/techniques';

/** The words that the table of order rules is written in. */

/** What a rule may ask of the scheme around two passes. */
export interface RuleContext {
  schools: Schools;
  touch: (a: Part, b: Part) => boolean;
  /** The part with the largest surface. */
  largest: Part | null;
  rankOf: (moment: Moment) => number;
}

export type Of = (pass: StagedPass, context: RuleContext) => boolean;
export type Between = (a: StagedPass, b: StagedPass, context: RuleContext) => boolean;

export const any: Of = () => true;
export const at =
  (...moments: Moment[]): Of =>
  (pass) =>
    moments.includes(pass.moment);
export const between = (from: Moment, to: Moment): Of => at(...MOMENTS.slice(MOMENTS.indexOf(from), MOMENTS.indexOf(to) + 1));
export const by =
  (...techniques: Technique[]): Of =>
  (pass) =>
    techniques.includes(pass.step.technique);
export const both =
  (...all: Of[]): Of =>
  (pass, context) =>
    all.every((each) => each(pass, context));
export const either =
  (...some: Of[]): Of =>
  (pass, context) =>
    some.some((each) => each(pass, context));
export const not =
  (of: Of): Of =>
  (pass, context) =>
    !of(pass, context);

export const allOver: Of = (pass) => pass.part === null;
export const inAPart: Of = (pass) => pass.part !== null;
export const onTheBase: Of = (pass) => pass.isBase;
export const onTheFigure: Of = (pass) => !pass.isBase;
export const metallic: Of = (pass) => pass.kind === 'metallic';
export const opaque: Of = (pass) => pass.kind === 'opaque';
export const wash = by('wash');
export const messy: Of = isMessy;
export const neat: Of = isNeat;
export const handPainted: Of = isHandPainted;
export const ofTheLargestPart: Of = (pass, { largest }) => pass.part !== null && pass.part === largest;
export const firstPaint: Of = isFirstPaint;

export const later: Between = (a, b) => b.rank > a.rank;
export const touching: Between = (a, b, { touch }) => a.part !== null && b.part !== null && touch(a.part, b.part);
export const samePart = (a: StagedPass, b: StagedPass) => a.part !== null && a.part === b.part;
export const oneAllOver = (a: StagedPass, b: StagedPass) => a.part === null || b.part === null;
export const samePartOrAllOver = (a: StagedPass, b: StagedPass) => samePart(a, b) || oneAllOver(a, b);
export const touchingOrAllOver: Between = (a, b, context) => touching(a, b, context) || oneAllOver(a, b);

export const sameCoat = (a: StagedPass, b: StagedPass) => a.step === b.step && a.coat === b.coat;
/** Fronts and backs do not lie over each other. */
export const meet = (a: StagedPass, b: StagedPass) => !(isSide(a) && isSide(b) && a.half !== b.half);
const isSide = ({ half }: StagedPass) => half === 'fronts' || half === 'backs';

export const nameOf = (pass: StagedPass) => pass.part?.name ?? 'everything';
export const doing = (pass: StagedPass) => factsOf(pass.step.technique).label.toLowerCase();
