import { fitRoster, inARow, renumbered } from './dealOut';
import { expectedOf, type GoneModel, type Roll, type Scheme, type Unit } from '../model/definitions';
import { allModels } from '../model/whoTakes';

/**
 * The numbers of those that are gone when a unit has another number of models: fewer, and the last go; more, and who went first
 * comes back.
 */
export function goneAtCount(unit: Roll, models: number): number[] {
  const present = allModels(unit);
  const gone = unit.gone.map(({ model }) => model);
  if (models <= present.length) return [...gone, ...present.slice(models)].sort((a, b) => a - b);
  return gone.slice(models - present.length);
}

/**
 * The groups and variants of a unit whose count or whose missing models changed, and who is gone with what they were. Who goes is
 * remembered with groups and options; who comes back is what they were; who is new gets an option of every variant, and is `late`
 * where others are painted already.
 */
export function seatModels(
  scheme: Scheme,
  before: Roll & Pick<Unit, 'late'>,
  after: Roll,
  isStarted = false,
): { scheme: Scheme } & Pick<Unit, 'gone' | 'late'> {
  const present = allModels(after);
  const there = new Set(present);
  const memory = new Map(before.gone.map((each) => [each.model, each.in]));
  for (const model of allModels(before)) memory.set(model, placesOf(scheme, model));
  const known = Math.max(present.at(-1) ?? 0, expectedOf(before), expectedOf(after));
  const asked = new Set(after.gone.map(({ model }) => model));
  const gone = [...new Set([...memory.keys(), ...asked])]
    .filter((model) => !there.has(model))
    .map((model): GoneModel => ({ model, in: memory.get(model) ?? [] }))
    // Beyond what there should be there never was anybody, unless somebody in particular.
    .filter((each) => each.model <= known || each.in.length > 0)
    .sort((a, b) => a.model - b.model);
  const late = isStarted ? [...before.late, ...present.filter((model) => !memory.has(model))] : before.late;
  if (JSON.stringify(allModels(before)) === JSON.stringify(present)) return { scheme, gone, late };
  const back = before.gone.filter(({ model }) => there.has(model));
  return { scheme: { ...scheme, ...fitRoster(withBack(scheme, back), present) }, gone, late };
}

/** The unit with so many models promised, nothing owned and nothing counted. */
export function withModels<U extends Unit>(unit: U, models: number): U {
  const roll = { promised: models, owned: 0, counted: null, gone: goneAtCount(unit, models).map((model) => ({ model, in: [] })) };
  return { ...unit, ...roll, ...seatModels(unit.scheme, unit, roll), late: [] };
}

/** The scheme of a unit with its models numbered 1 to n: as it travels to other units. */
export function schemeInARow(unit: Roll & Pick<Unit, 'scheme'>): Scheme {
  const models = allModels(unit);
  return { ...unit.scheme, ...renumbered(unit.scheme, models, inARow(models.length)) };
}

/** Ids of the groups and options of a model. */
const placesOf = ({ groups, variants }: Scheme, model: number): string[] =>
  [...groups, ...variants.flatMap(({ options }) => options)].filter(({ models }) => models.includes(model)).map(({ id }) => id);

/** Those who come back, in the groups and options that they were in and that are still there. */
function withBack({ groups, variants }: Scheme, back: readonly GoneModel[]): Pick<Scheme, 'groups' | 'variants'> {
  const joined = <T extends { id: string; models: number[] }>(place: T): T => {
    const own = back.filter(({ model, in: places }) => places.includes(place.id) && !place.models.includes(model));
    return own.length === 0 ? place : { ...place, models: [...place.models, ...own.map(({ model }) => model)].sort((a, b) => a - b) };
  };
  return { groups: groups.map(joined), variants: variants.map((variant) => ({ ...variant, options: variant.options.map(joined) })) };
}
