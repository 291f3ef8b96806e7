import type { Mix, Part, Roll, Scheme, Step } from '../../scheme/model/definitions';
import { circleOfMixes } from '../../scheme/model/pots';
import { RETIRED_RULES, RULES } from '../../scheme/rules/ruleCatalogue';
import { factsOf } from '../../scheme/model/techniques';
import { allModels } from '../../scheme/model/whoTakes';
import type { RemovedPiece } from '../../scheme/model/removedPiece';
import { InputError } from '../../kernel/InputError';

const partKey = ({ id }: Pick<Part, 'id'>): string => `part ${id}`;
const stepKey = ({ id }: Pick<Step, 'id'>): string => `step ${id}`;

/** All parts and steps of a scheme by kind and id: a part may have the id of a step. */
export const pieceIds = (scheme: Scheme): string[] => [
  ...scheme.parts.flatMap((part) => [partKey(part), ...part.steps.map(stepKey)]),
  ...scheme.allOver.map(stepKey),
];

/** The same of something taken out. */
export const pieceId = (piece: RemovedPiece['piece']): string => (piece.kind === 'part' ? partKey(piece.part) : stepKey(piece.step));

/** What is around a scheme that is checked. */
interface Around {
  /** Where the scheme stands, with a dot behind it. */
  field: string;
  /** Models of the unit, by their numbers. */
  models: readonly number[];
  /** Parts and steps that are there already, by kind and id; those of the scheme are added. */
  taken: Set<string>;
  isPaint: (id: string) => boolean;
}

/** What a scheme must keep beside its schema. Throws an `InputError` naming the first thing that cannot be. */
export function checkScheme(scheme: Scheme, around: Around): void {
  const whom = checkRoster(scheme, around);
  const mixes = checkMixes(scheme.mixes, around);
  const steps = checkSteps(scheme, around, whom, mixes);
  checkNeighbours(scheme, around);
  checkRules(scheme, around, steps);
}

/** The same for the scheme of a unit. */
export const aroundUnit = (unit: Roll, around: Omit<Around, 'models'>): Around => ({
  ...around,
  models: allModels(unit),
});

/** Ids of groups and options, each its own; every model of a variant has exactly one option. */
function checkRoster({ groups, variants }: Scheme, { field, models }: Around): { ids: Set<string>; options: Set<string> } {
  const ids = new Set<string>();
  const known = new Set(models);
  const own = (at: string, id: string) => {
    if (ids.has(id)) throw new InputError(`${field}${at}.id`, id, 'give every group and every option an id of its own');
    ids.add(id);
  };
  const there = (at: string, list: readonly number[]) => {
    const beyond = list.find((model) => !known.has(model));
    if (beyond !== undefined)
      throw new InputError(`${field}${at}.models`, beyond, `name models from 1 to ${models.at(-1)} that are there: this one is not`);
    if (new Set(list).size < list.length) throw new InputError(`${field}${at}.models`, list, 'name every model once');
  };
  groups.forEach((group, index) => {
    own(`groups[${index}]`, group.id);
    there(`groups[${index}]`, group.models);
  });
  const options = new Set<string>();
  variants.forEach((variant, index) => {
    const at = `variants[${index}]`;
    const times = new Map<number, number>();
    variant.options.forEach((option, place) => {
      own(`${at}.options[${place}]`, option.id);
      options.add(option.id);
      there(`${at}.options[${place}]`, option.models);
      for (const model of option.models) times.set(model, (times.get(model) ?? 0) + 1);
    });
    for (const model of models)
      if (times.get(model) !== 1)
        throw new InputError(
          `${field}${at}`,
          `model ${model} in ${times.get(model) ?? 0} options`,
          `give every model exactly one option of ${variant.name}`,
        );
  });
  return { ids, options };
}

/** Mixes are made of paints that are there and of each other, in no circle. Answers with their ids. Throws an `InputError`. */
export function checkMixes(mixes: readonly Mix[], { field, isPaint }: Pick<Around, 'field' | 'isPaint'>): Set<string> {
  const ids = new Set<string>();
  mixes.forEach((mix, index) => {
    if (ids.has(mix.id)) throw new InputError(`${field}mixes[${index}].id`, mix.id, 'give every mix an id of its own');
    ids.add(mix.id);
  });
  mixes.forEach((mix, index) =>
    mix.of.forEach((share, place) => {
      const at = `${field}mixes[${index}].of[${place}]`;
      if ('paint' in share === 'mix' in share) throw new InputError(at, share, 'name either a paint or a mix');
      if ('mix' in share && !ids.has(share.mix)) throw new InputError(`${at}.mix`, share.mix, 'name a mix of this scheme');
      if ('paint' in share && !isPaint(share.paint))
        throw new InputError(`${at}.paint`, share.paint, 'name a paint that is there: put it on the shelf first');
    }),
  );
  const circle = circleOfMixes(mixes);
  if (circle) throw new InputError(`${field}mixes`, circle.join(' of '), 'make every mix of paints and of mixes that do not need it');
  return ids;
}

function checkSteps(
  { parts, allOver }: Scheme,
  { field, taken, isPaint }: Around,
  whom: { ids: ReadonlySet<string>; options: ReadonlySet<string> },
  mixes: ReadonlySet<string>,
): Set<string> {
  const steps = new Set<string>();
  const own = (at: string, key: string, { id }: { id: string }) => {
    if (taken.has(key)) throw new InputError(`${at}.id`, id, 'give every part and every step an id of its own');
    taken.add(key);
  };
  const checkStep = (step: Step, at: string) => {
    own(at, stepKey(step), step);
    steps.add(step.id);
    checkPot(step, at);
    if (step.own && step.own.like !== step.technique)
      throw new InputError(`${at}.own.like`, step.own.like, `let it be like the technique of the step (${step.technique})`);
    step.paintFor.forEach((other, index) => {
      const where = `${at}.paintFor[${index}]`;
      if (!whom.options.has(other.option))
        throw new InputError(`${where}.option`, other.option, 'name an option of a variant of this scheme');
      if ('paint' in other === 'mix' in other) throw new InputError(where, other, 'name either a paint or a mix');
      checkPot({ technique: step.technique, paint: null, mix: null, ...other }, where);
    });
    if (step.for === null) return;
    const named = 'only' in step.for ? step.for.only : step.for.without;
    for (const id of named) if (!whom.ids.has(id)) throw new InputError(`${at}.for`, id, 'name a group or an option of this scheme');
  };
  const checkPot = ({ technique, paint, mix }: Pick<Step, 'technique' | 'paint' | 'mix'>, at: string) => {
    if (paint !== null && mix !== null) throw new InputError(`${at}.mix`, mix, 'name either a paint or a mix');
    if (paint !== null && !isPaint(paint))
      throw new InputError(`${at}.paint`, paint, 'name a paint that is there: put it on the shelf first');
    if (mix !== null && !mixes.has(mix)) throw new InputError(`${at}.mix`, mix, 'name a mix of this scheme');
    if ((paint ?? mix) !== null && !factsOf(technique).usesPaint)
      throw new InputError(
        `${at}.${paint === null ? 'mix' : 'paint'}`,
        paint ?? mix,
        `leave it out: ${factsOf(technique).label} takes no paint`,
      );
  };
  parts.forEach((part, index) => {
    own(`${field}parts[${index}]`, partKey(part), part);
    part.steps.forEach((step, place) => checkStep(step, `${field}parts[${index}].steps[${place}]`));
  });
  allOver.forEach((step, index) => checkStep(step, `${field}allOver[${index}]`));
  return steps;
}

function checkNeighbours({ parts, allOver }: Scheme, { field }: Around): void {
  const ids = new Set(parts.map((part) => part.id));
  const other = (at: string, part: Part, id: string) => {
    if (!ids.has(id) || id === part.id) throw new InputError(`${field}${at}`, id, 'name another part of this scheme');
  };
  parts.forEach((part, index) => {
    for (const id of part.touches ?? []) other(`parts[${index}].touches`, part, id);
    if (part.on !== undefined) other(`parts[${index}].on`, part, part.on);
  });
  allOver.forEach(({ over }, index) => {
    for (const id of over ? ('only' in over ? over.only : over.without) : [])
      if (!ids.has(id)) throw new InputError(`${field}allOver[${index}].over`, id, 'name a part of this scheme');
  });
}

function checkRules({ rules, off, stops }: Scheme, { field }: Around, steps: ReadonlySet<string>): void {
  rules.forEach((rule, index) => {
    for (const end of ['first', 'then'] as const)
      if (!steps.has(rule[end])) throw new InputError(`${field}rules[${index}].${end}`, rule[end], 'name a step of this scheme');
    if (rule.first === rule.then) throw new InputError(`${field}rules[${index}].then`, rule.then, 'name another step than the first');
  });
  stops.forEach((stop, index) =>
    stop.steps.forEach((id, at) => {
      if (!steps.has(id)) throw new InputError(`${field}stops[${index}].steps[${at}]`, id, 'name a step of the scheme');
    }),
  );
  off.forEach(({ rule, note }, index) => {
    const known = RULES.find(({ id }) => id === rule);
    if (!known && RETIRED_RULES.includes(rule)) return;
    if (!known) throw new InputError(`${field}off[${index}].rule`, rule, `name one of ${RULES.map(({ id }) => id).join(', ')}`);
    if (known.kind === 'hard' && note.trim() === '')
      throw new InputError(`${field}off[${index}].note`, note, 'say why: this rule is physics, and the note is shown where it would hold');
  });
}
