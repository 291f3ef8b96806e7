import { ulid } from 'ulid';
import { boolean, object, type InferType } from 'yup';
import { count, id } from '../../core/formats/fields';
import { coatKey } from '../../core/kernel/ids';
import { InputError } from '../../core/kernel/InputError';
import { changeStep } from '../../core/scheme/authoring/edits';
import { sharedId } from '../../core/scheme/authoring/linked';
import { allSteps, placedSteps } from '../../core/scheme/model/allSteps';
import type { Scheme, Step } from '../../core/scheme/model/definitions';
import { halfOfId } from '../../core/scheme/model/halves';
import { potIdsOf } from '../../core/scheme/model/pots';
import { saveScheme } from '../schemes/saveScheme';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { sayOfMarks } from './sayOfMarks';

export const changeStepSchema = object({
  /** As it is marked: with the half behind it where there is one. */
  step: id(),
  coats: count(1, 10).optional(),
  /** Another paint or mix. */
  pot: id().optional(),
  /** Models that are painted already stay as they are. */
  keeps: boolean().strict().required(),
});

/**
 * Changes a step where it is painted: another coat, one less, or another pot. It is an edit of the scheme like any other, of all units
 * that are painted by it, with what holds of the models that carry the step already.
 */
export async function changeStepAtBench(
  stores: Stores,
  unitId: string | undefined,
  { step: marked, coats, pot, keeps }: InferType<typeof changeStepSchema>,
  now: Date,
): Promise<void> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  const found = unit && placedSteps(unit.scheme).find(({ step }) => step.id === halfOfId(marked).stepId);
  if (!found) throw new NotFoundError(`There is no step ${marked} any more: reload the page.`);
  const { step, part } = found;
  const change = { ...(coats !== undefined && { coats }), ...(pot !== undefined && (await potNamed(stores, unit.scheme, pot))) };
  const scheme = changeStep(unit.scheme, part?.id ?? null, step.id, change);
  const { marks } = (await loadWorkshop(stores, now)).marks;
  const units = (await stores.commissions.units(unit.commissionId)).filter(
    (each) => each.id === unit.id || (unit.linked !== null && each.linked === unit.linked),
  );
  const more = Array.from({ length: Math.max(0, (coats ?? step.coats) - step.coats) }, (_, place) => step.coats + 1 + place);
  const modelsUnder = (stepId: string, coat: number) => [...(marks.get(coatKey(stepId, coat))?.keys() ?? [])];
  await stores.allOrNothing(async (within) => {
    for (const each of units) {
      const own = allSteps(each.scheme).find((other) => sharedId(other) === sharedId(step));
      if (!own) continue;
      const before = Array.from({ length: step.coats }, (_, place) => [...(marks.get(coatKey(own.id, place + 1)) ?? [])]).flat();
      const carried = new Set(before.filter(([, mark]) => !mark.leftOut).map(([model]) => model));
      const without = new Set(before.map(([model]) => model).filter((model) => !carried.has(model)));
      const say = (kind: 'kept' | 'left-out' | 'reopened', coat: number, models: Iterable<number>) => ({
        id: ulid(now.getTime()),
        kind,
        step: own.id,
        coat,
        models: [...models].toSorted((a, b) => a - b),
        target: null,
      });
      // What a model does without it does without in every coat.
      const events = more
        .flatMap((coat) => [
          // No model is told two things at one moment.
          say(
            'reopened',
            coat,
            modelsUnder(own.id, coat).filter((model) => !without.has(model) && !(keeps && carried.has(model))),
          ),
          ...(keeps ? [say('kept', coat, carried)] : []),
          say('left-out', coat, without),
        ])
        .filter(({ models }) => models.length > 0);
      if (events.length > 0) await sayOfMarks(within, each.id, { events }, now);
    }
    await saveScheme(within, unit.id, { revision: unit.schemeRevision, scheme }, now);
  });
}

/** A pot of the bench as a step names it: a paint of the shelf, or a mix of its scheme. */
export async function potNamed(stores: Pick<Stores, 'paints'>, scheme: Scheme, pot: string): Promise<Pick<Step, 'paint' | 'mix'>> {
  if ((await stores.paints.list()).some((paint) => paint.id === pot)) return { paint: pot, mix: null };
  const mix = [...potIdsOf(scheme)].find(([, id]) => id === pot)?.[0];
  if (mix === undefined) throw new InputError('pot', pot, 'name a paint of the shelf, or a mix of this scheme');
  return { paint: null, mix };
}
