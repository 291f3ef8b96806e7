import { array, boolean, object, type InferType } from 'yup';
import {
  CARES,
  FACES,
  GROUP_KINDS,
  REACHES,
  STANDARDS,
  THINNERS,
  type MixShare,
  type Part,
  type PaintFor,
  type Scheme,
  type Step,
  type StepFor,
} from '../../scheme/model/definitions';
import { TECHNIQUES } from '../../scheme/model/techniques';
import { MOMENTS } from '../../scheme/model/moments';
import { SCHOOL_QUESTIONS, SCHOOLS, type SchoolQuestion, STRENGTHS } from '../../scheme/model/schools';
import type { RemovedPiece } from '../../scheme/model/removedPiece';
import {
  atLeast,
  count,
  id,
  instant,
  list,
  LONGEST_MINUTES,
  note,
  oneOf,
  optionalMinutes,
  remedy,
  requiredText,
  share,
  text,
} from '../fields';

/** Models of one unit. */
export const MOST_MODELS = 1000;
const MOST_GROUPS = 60;
const MOST_PARTS = 60;
const MOST_STEPS = 100;
const MOST_RULES = 400;

export const dryMinutes = () => optionalMinutes().max(100_000).nullable().default(null);
const optionalId = () => id().nullable().notRequired().default(null);
const someText = (what: string) => text(what).default('');
const models = () => array(count(1, MOST_MODELS)).strict().max(MOST_MODELS).required();

/** Either of two names; which of them is told by `checkScheme`. */
const paintOrMix = { paint: id().optional().default(undefined), mix: id().optional().default(undefined) };
const parts = () => atLeast(0.001, 'a number of parts above 0').max(1000);

const stepFor = object({
  only: array(id()).strict().optional().default(undefined),
  without: array(id()).strict().optional().default(undefined),
})
  .nullable()
  .default(null);

/** Which parts a step over several is laid on; `null` for everything, as for whoever leaves it out. */
const over = object({
  only: array(id()).strict().min(1).max(MOST_PARTS).optional().default(undefined),
  without: array(id()).strict().max(MOST_PARTS).optional().default(undefined),
})
  .nullable()
  .optional()
  .default(undefined);

/** What a part or a step is called in all units that are painted by one scheme. */
const sharedName = () => id().optional().default(undefined);

const MOST_PIECES = 50;

/** A level by minutes, as House rules and schemes have it. */
export const levelSchema = object({
  name: requiredText('a name for the level', 60),
  minutes: atLeast(1, 'minutes a model from 1 to 10,000').max(10_000),
});

/** A technique of the painter's own, as House rules and steps have it. */
export const ownTechniqueSchema = object({
  id: id(),
  name: requiredText('a name for the technique', 60),
  like: oneOf(TECHNIQUES),
  moment: oneOf(MOMENTS).nullable().notRequired().default(null),
  effort: atLeast(0.1, 'a factor from 0.1 to 10').max(10),
  dryMinutes: dryMinutes(),
  film: atLeast(0, 'a factor from 0 to 10').max(10),
  brush: text('what is in the hand', 60).default(''),
  caution: text('a caution', 400).default(''),
});

const step = object({
  id: id(),
  technique: oneOf(TECHNIQUES),
  paint: optionalId(),
  mix: optionalId(),
  paintFor: array(object({ option: id(), ...paintOrMix }))
    .strict()
    .max(MOST_GROUPS)
    .default([]),
  coats: count(1, 10),
  coverage: atLeast(0.001, 'a share above 0 and up to 1').max(1),
  for: stepFor,
  standard: oneOf(STANDARDS),
  optional: boolean().strict().default(false),
  dryMinutes: dryMinutes(),
  strength: someText('how strong it is'),
  faces: oneOf(FACES).optional().default('whole'),
  moment: oneOf(MOMENTS).nullable().notRequired().default(null),
  note: note().optional().default(''),
  over,
  ifNeeded: boolean().strict().oneOf([true], remedy('give true, or leave it out')).optional().default(undefined),
  own: ownTechniqueSchema.optional().default(undefined),
  brush: requiredText('a brush', 60).optional().default(undefined),
  pieces: count(1, MOST_PIECES).optional().default(undefined),
  care: oneOf(CARES).optional().default(undefined),
  like: object({ step: id(), technique: oneOf(TECHNIQUES), paint: optionalId() })
    .optional()
    .default(undefined),
  shared: sharedName(),
});

const part = object({
  id: id(),
  name: requiredText('a name for the part'),
  surface: share().optional().default(0.2),
  touches: array(id()).strict().max(MOST_PARTS).nullable().default(null),
  reach: oneOf(REACHES).optional().default('easy'),
  keepClear: boolean().strict().default(false),
  isBase: boolean().strict().default(false),
  on: id().nullable().optional().default(undefined),
  steps: list(step, MOST_STEPS),
  shared: sharedName(),
});

export const mixSchema = object({
  id: id(),
  name: requiredText('a name for the mix'),
  of: list(object({ ...paintOrMix, parts: parts() }), 12, 1),
  thin: object({ with: oneOf(THINNERS), parts: parts() })
    .nullable()
    .default(null),
});

const group = object({
  id: id(),
  name: requiredText('a name for the group'),
  kind: oneOf(GROUP_KINDS),
  models: models(),
  standard: oneOf(STANDARDS).nullable().notRequired().default(null),
  factor: atLeast(0.1, 'a factor from 0.1 to 20').max(20).nullable().notRequired().default(null),
});

const option = object({ id: id(), name: requiredText('a name for the option'), models: models() });
const variant = object({
  id: id(),
  name: requiredText('a name for the variant'),
  options: list(option, MOST_GROUPS, 1),
  trialOf: id().optional().default(undefined),
});

const rule = object({
  first: id(),
  then: id(),
  minutesPerModel: optionalMinutes().max(LONGEST_MINUTES).nullable().default(null),
  wish: boolean().strict().optional().default(undefined),
  reason: requiredText('why it holds'),
});

const ruleOff = object({ rule: id(), note: note().optional().default('') });

const stop = object({
  id: id(),
  name: requiredText('a name for the stop'),
  steps: array(id()).strict().max(MOST_STEPS).required(),
  usable: boolean().strict().default(false),
});

const school = (question: SchoolQuestion) => oneOf<string>(SCHOOLS[question]);
const everySchool = <T>(field: (question: SchoolQuestion) => T): Record<SchoolQuestion, T> =>
  Object.fromEntries(SCHOOL_QUESTIONS.map((question) => [question, field(question)])) as Record<SchoolQuestion, T>;

/** Every school, as House rules have it. */
export const schoolsSchema = object(everySchool(school));
/** How strongly habits hold, those that hold mostly left out. */
export const strengthsSchema = object(everySchool(() => oneOf(STRENGTHS).optional().default(undefined)));
const someSchools = object(everySchool((question) => school(question).optional().default(undefined)));

const optional = <T extends ReturnType<typeof list>>(of: T) => of.optional().default([]);

/** Fields of a scheme as they come in; what most schemes do not need may be left out. */
export const schemeFields = {
  groups: optional(list(group, MOST_GROUPS)),
  variants: optional(list(variant, MOST_GROUPS)),
  mixes: optional(list(mixSchema, MOST_GROUPS)),
  schools: someSchools.default({}),
  strengths: strengthsSchema.optional().default(undefined),
  rules: optional(list(rule, MOST_RULES)),
  off: optional(list(ruleOff, MOST_RULES)),
  stops: optional(list(stop, MOST_GROUPS)),
  level: levelSchema.optional().default(undefined),
  parts: list(part, MOST_PARTS),
  allOver: list(step, MOST_PARTS),
};
export const schemeSchema = object(schemeFields);

type Parsed = InferType<typeof schemeSchema>;
type ParsedStep = InferType<typeof step>;

/** What was taken out of a scheme, as a file has it: a part, or a step of a part or of everything. */
export const removedPieceSchema = object({
  unitId: id(),
  removedAt: instant(),
  part: part.optional().default(undefined),
  step: step.optional().default(undefined),
  partId: id().nullable().notRequired().default(null),
}).test('one-piece', remedy('give either a part or a step'), (piece) => !piece.part !== !piece.step);

export type FiledPiece = Pick<RemovedPiece, 'unitId' | 'removedAt'> & { part?: Part; step?: Step; partId?: string | null };

export const filedPiece = ({ unitId, removedAt, piece }: Omit<RemovedPiece, 'id'>): FiledPiece => ({
  unitId,
  removedAt,
  ...(piece.kind === 'part' ? { part: piece.part } : { step: piece.step, partId: piece.partId }),
});

export const removedPieceOf = ({ unitId, removedAt, part: strip, step: one, partId }: FiledPiece): Omit<RemovedPiece, 'id'> => ({
  unitId,
  removedAt,
  piece: strip
    ? { kind: 'part', part: partOf(strip as unknown as Parsed['parts'][number]) }
    : { kind: 'step', step: stepOf(one as unknown as ParsedStep), partId: partId ?? null },
});

/** The scheme that was read, every field in its place and nothing undefined among them. */
export function schemeOf(parsed: Parsed): Scheme {
  const {
    groups,
    variants,
    mixes,
    schools,
    strengths,
    rules,
    off,
    stops,
    level,
    parts: strips,
    allOver,
  } = parsed as unknown as Scheme & Parsed;
  const strong = said(strengths ?? {});
  return {
    groups,
    variants: variants.map((each) => said(each)),
    mixes: mixes.map((each) => ({ ...each, of: each.of.map((one) => said(one) as MixShare) })),
    schools: said(schools),
    ...(Object.keys(strong).length > 0 && { strengths: strong }),
    rules: rules.map((each) => said(each)),
    off,
    stops,
    ...(level && { level }),
    parts: strips.map((each) => partOf(each as unknown as Parsed['parts'][number])),
    allOver: allOver.map((one) => stepOf(one as unknown as ParsedStep)),
  };
}

const partOf = ({ on, shared, ...parsed }: Parsed['parts'][number]): Part =>
  ({
    ...parsed,
    ...(on && { on }),
    ...(shared && { shared }),
    steps: parsed.steps.map((one) => stepOf({ ...(one as unknown as ParsedStep), over: null })),
  }) as Part;

/** Without the fields that nobody has said anything of. */
const said = <T extends object>(fields: T): T => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

const stepOf = ({ like, shared, over: laidOn, ...parsed }: ParsedStep): Step =>
  ({
    ...parsed,
    paintFor: parsed.paintFor.map((each) => said(each) as PaintFor),
    for: forOf(parsed.for),
    ...(laidOn && { over: laidOn.only ? { only: laidOn.only } : { without: laidOn.without ?? [] } }),
    ...(like && { like }),
    ...(shared && { shared }),
  }) as Step;

const forOf = (whom: ParsedStep['for']): StepFor => {
  if (!whom) return null;
  return whom.only ? { only: whom.only } : { without: whom.without ?? [] };
};
