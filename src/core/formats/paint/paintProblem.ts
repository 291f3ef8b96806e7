import { lazy, object, type AnyObject, type ISchema } from 'yup';
import { InputError } from '../../kernel/InputError';
import type { MarksWish } from '../../paint/marks';
import type { MatchWish } from '../../paint/match';
import type { RampWish } from '../../paint/ramp';
import type { Mix, Paint } from '../../scheme/model/definitions';
import { atLeast, count, hexColour, id, list, parse, requiredText, share } from '../fields';
import { checkMixes } from '../scheme/checkScheme';
import { paintSchema } from '../scheme/commissionSchemas';
import { mixSchema } from '../scheme/schemeSchemas';

/** Most paints, drops and steps that a question may ask for; beyond them nobody mixes, and the answer would not come. */
const MOST_PAINTS = 1000;
const MOST_DROPS = 24;
const MOST_GROUPS = 60;

const drops = () => count(1, MOST_DROPS);
const paints = () => list(paintSchema, MOST_PAINTS, 1);

const mixQuestion = object({ paints: paints(), mixes: list(mixSchema, 500, 1) });

const rampQuestion = object({
  paints: paints(),
  ramp: object({ from: id(), to: id(), steps: count(1, 20), mostDrops: drops(), reach: share().optional().default(1) }).required(),
});

const matchQuestion = object({
  paints: paints(),
  match: object({ hex: hexColour(), mostDrops: drops(), mostPaints: count(1, 3) }).required(),
});

/** A paint for each group that has one already, by the names of the groups. */
const pins = lazy((value: unknown) =>
  object(Object.fromEntries(Object.keys(Object(value) as object).map((group) => [group, id()]))).default({}),
) as unknown as ISchema<Record<string, string>, AnyObject>;

const marksQuestion = object({
  paints: paints(),
  marks: object({
    groups: list(requiredText('a name for the group'), MOST_GROUPS, 1),
    from: list(id(), MOST_PAINTS, 1),
    beside: list(hexColour(), 100).optional().default([]),
    clear: atLeast(0, 'a difference from 0 to 100').max(100).optional().default(0),
    pins,
  }).required(),
});

/** Paints and mixes of them. Throws an `InputError`. */
export function readMixQuestion(value: unknown): { paints: Paint[]; mixes: Mix[] } {
  const question = parse(mixQuestion, value);
  const shelf = onceEach(question.paints as Paint[]);
  const mixes = question.mixes as unknown as Mix[];
  checkMixes(mixes, { field: '', isPaint: (one) => shelf.some((paint) => paint.id === one) });
  return { paints: shelf, mixes };
}

/** A ramp from one paint to another. Throws an `InputError`. */
export function readRampQuestion(value: unknown): { from: Paint; to: Paint; wish: RampWish } {
  const { paints: given, ramp } = parse(rampQuestion, value);
  const shelf = onceEach(given as Paint[]);
  const named = (field: 'from' | 'to'): Paint => {
    const paint = shelf.find((each) => each.id === ramp[field]);
    if (!paint) throw new InputError(`ramp.${field}`, ramp[field], 'name a paint of the list');
    return paint;
  };
  return { from: named('from'), to: named('to'), wish: ramp };
}

/** A colour to be matched. Throws an `InputError`. */
export function readMatchQuestion(value: unknown): { paints: Paint[]; wish: MatchWish } {
  const { paints: given, match } = parse(matchQuestion, value);
  return { paints: onceEach(given as Paint[]), wish: match };
}

/** Squads and the paints to choose from. Throws an `InputError`. */
export function readMarksQuestion(value: unknown): { paints: Paint[]; wish: MarksWish } {
  const { paints: given, marks } = parse(marksQuestion, value);
  marks.groups.forEach((group, index) => {
    if (marks.groups.indexOf(group) < index) throw new InputError(`marks.groups[${index}]`, group, 'name every group once');
  });
  for (const group of Object.keys(marks.pins))
    if (!marks.groups.includes(group)) throw new InputError(`marks.pins.${group}`, marks.pins[group], 'pin groups of the list');
  return { paints: onceEach(given as Paint[]), wish: marks };
}

function onceEach(shelf: Paint[]): Paint[] {
  const ids = new Set<string>();
  shelf.forEach((paint, index) => {
    if (ids.has(paint.id)) throw new InputError(`paints[${index}].id`, paint.id, 'list every paint once');
    ids.add(paint.id);
  });
  return shelf;
}
