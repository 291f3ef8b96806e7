import { ulid } from 'ulid';
import { object, type InferType } from 'yup';
import { count, id, list } from '../../core/formats/fields';
import { MOST_MODELS } from '../../core/formats/scheme/schemeSchemas';
import { coatKey, readCoatKey } from '../../core/kernel/ids';
import { InputError } from '../../core/kernel/InputError';
import type { BenchMarks } from '../../core/bench/definitions';
import type { StoredUnit } from '../../core/commission/definitions';
import { matched, sharedId } from '../../core/scheme/authoring/linked';
import { allSteps } from '../../core/scheme/model/allSteps';
import { modelsOf, type Step } from '../../core/scheme/model/definitions';
import { HALVES, idOfHalf } from '../../core/scheme/model/halves';
import { potIdsOf } from '../../core/scheme/model/pots';
import { allModels } from '../../core/scheme/model/whoTakes';
import { sayOfMarks } from '../bench/sayOfMarks';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { saveIntake } from './saveIntake';

export const moveModelsSchema = object({ to: id(), models: list(count(1, MOST_MODELS), MOST_MODELS, 1) });

/**
 * Models of a unit become models of another one of the commission, with what is painted on them that both have: the same work with
 * the same pot. Both counts follow, as if they had been counted so.
 */
export async function moveModels(
  stores: Stores,
  unitId: string | undefined,
  { to: toId, models }: InferType<typeof moveModelsSchema>,
  now: Date,
): Promise<void> {
  const from = await stores.commissions.findUnit(unitId ?? '');
  if (!from) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  const units = await stores.commissions.units(from.commissionId);
  const to = units.find((each) => each.id === toId && each.id !== from.id);
  if (!to) throw new InputError('to', toId, 'name another unit of the commission');
  const there = allModels(from);
  const missing = models.find((model) => !there.includes(model));
  if (missing !== undefined) throw new InputError('models', missing, `name models of ${from.name} that are there`);
  if (new Set(models).size < models.length) throw new InputError('models', models, 'name every model once');
  if (models.length >= there.length)
    throw new InputError('models', models.length, `leave at least one model in ${from.name}, or take the unit out`);
  const { marks } = (await loadWorkshop(stores, now)).marks;
  const commission = (await stores.commissions.find(from.commissionId))!;
  const entries = units.map(({ commissionId: _commission, schemeRevision: _revision, scheme: _scheme, ...unit }) => {
    if (unit.id === to.id) return { ...unit, counted: modelsOf(to) + models.length };
    if (unit.id !== from.id) return unit;
    return { ...unit, counted: modelsOf(from) - models.length, gone: [...unit.gone, ...models.map((model) => ({ model, in: [] }))] };
  });
  const { revision, createdAt: _created, closedAt: _closed, agreedAt: _agreed, id: _id, ...terms } = commission;
  await stores.allOrNothing(async (within) => {
    await saveIntake(within, commission.id, { revision, commission: terms, units: entries }, now);
    const after = (await within.commissions.findUnit(to.id))!;
    const before = new Set(allModels(to));
    const numbers = allModels(after).filter((model) => !before.has(model));
    const events = carriedBy(from, after, marks, new Map(models.map((model, place) => [model, numbers[place]!])));
    if (events.length > 0) await sayOfMarks(within, to.id, { events }, now);
    // Another model may have their numbers one day, and carries nothing.
    const left = leftBehind(from, marks, models);
    if (left.length > 0) await sayOfMarks(within, from.id, { events: left }, now);
  });
}

/** Units with the same mix have the same pot, whatever it is called in each. */
const potOf = ({ scheme }: StoredUnit, { paint, mix }: Pick<Step, 'paint' | 'mix'>) => paint ?? potIdsOf(scheme).get(mix ?? '') ?? null;

/** What was painted on them under the numbers that they had. */
function leftBehind(from: StoredUnit, marks: BenchMarks['marks'], models: readonly number[]) {
  const steps = new Set(allSteps(from.scheme).flatMap((step) => [step.id, ...HALVES_OF_ALL.map((half) => idOfHalf(step.id, half))]));
  return [...marks].flatMap(([key, marked]) => {
    const { step, coat } = readCoatKey(key);
    const carried = models.filter((model) => marked.has(model));
    if (!steps.has(step) || carried.length === 0) return [];
    return [{ id: ulid(), kind: 'reopened' as const, step, coat, models: carried.toSorted((a, b) => a - b), target: null }];
  });
}

const HALVES_OF_ALL = Object.values(HALVES).flat();

/** What the models bring along, by the numbers that they have there. */
function carriedBy(from: StoredUnit, to: StoredUnit, marks: BenchMarks['marks'], numbers: ReadonlyMap<number, number>) {
  const same = new Map(allSteps(matched(from.scheme, to.scheme).scheme).map((step) => [sharedId(step), step]));
  return allSteps(from.scheme).flatMap((step) => {
    const there = same.get(sharedId(step));
    if (!there || potOf(to, there) !== potOf(from, step)) return [];
    return [null, ...HALVES_OF_ALL].flatMap((half) =>
      Array.from({ length: Math.min(step.coats, there.coats) }, (_, place) => place + 1).flatMap((coat) => {
        const painted = marks.get(coatKey(idOfHalf(step.id, half), coat));
        const models = [...numbers].flatMap(([model, number]) => (painted?.has(model) && !painted.get(model)!.leftOut ? [number] : []));
        const event = { id: ulid(), kind: 'kept' as const, step: idOfHalf(there.id, half), coat, target: null };
        return models.length === 0 ? [] : [{ ...event, models: models.toSorted((a, b) => a - b) }];
      }),
    );
  });
}
