import type { Part } from '../model/definitions';
import { MOMENTS, type Moment } from '../model/moments';
import type { StrayFactors } from '../model/houseRules';
import type { SchoolQuestion, Schools } from '../model/schools';
import { inField, meetOnTheModel } from './field';
import { isMessy, type StagedPass } from './stagedPasses';
import { type Technique, labelOf } from '../model/techniques';

/** The words that the table of order rules is written in. */

/** What a rule may ask of the scheme around two passes. */
export interface RuleContext {
  schools: Schools;
  parts: readonly Part[];
  touch: (a: Part, b: Part) => boolean;
  /** The part with the largest surface. */
  largest: Part | null;
  rankOf: (moment: Moment) => number;
  /** How much further or less far each technique strays than assumed. */
  strays: StrayFactors;
}

export type Of = (pass: StagedPass, context: RuleContext) => boolean;
export type Between = (a: StagedPass, b: StagedPass, context: RuleContext) => boolean;

/** What every row of the table of order rules says. */
export interface RuleRow {
  id: string;
  first: Of;
  then: Of;
  /** What must be true of the two together; nothing more where it is left out. */
  when?: Between;
  /** A rule of one school. */
  school?: { [Question in SchoolQuestion]?: Schools[Question] };
  /** What it is about, for the list of rules. */
  says: string;
  /** Why one of these passes stands before the other; `says` where it is left out. */
  reason?: (a: StagedPass, b: StagedPass) => string;
}

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
export const wash = by('wash');
export const messy: Of = isMessy;
export const ofTheLargestPart: Of = (pass, { largest }) => pass.part !== null && pass.part === largest;

export const later: Between = (a, b) => b.rank > a.rank;
export const touching: Between = (a, b, { touch }) => a.part !== null && b.part !== null && touch(a.part, b.part);
/** In one part, or one of them laid over the part of the other, or over a part in common. */
export const together: Between = meetOnTheModel;
/** The first is in a part that the second, a step over several parts, is laid on. */
export const under: Between = (a, b) => inField(b, a);
/** The first is a step over several parts, one of which the second is in. */
export const over: Between = (a, b) => inField(a, b);
export const touchingOrTogether: Between = (a, b, context) => touching(a, b, context) || together(a, b, context);
export const onDifferentParts: Between = (a, b) => a.part !== null && b.part !== null && a.part !== b.part;

export const sameCoat = (a: StagedPass, b: StagedPass) => a.step === b.step && a.coat === b.coat;
/** Fronts and backs do not lie over each other. */
export const meet = (a: StagedPass, b: StagedPass) => !(isSide(a) && isSide(b) && a.half !== b.half);
const isSide = ({ half }: StagedPass) => half === 'fronts' || half === 'backs';

export const nameOf = (pass: StagedPass) => pass.where ?? 'everything';
export const doing = (pass: StagedPass) => labelOf(pass.step).toLowerCase();
