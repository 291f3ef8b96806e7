import { object, type InferType } from 'yup';
import { withOnePot } from '../../core/scheme/authoring/onePotForTwo';
import { withPots } from '../../core/scheme/model/pots';
import { count, id, list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import type { TwinTaken } from '../../contract/colours';
import { keepRevision } from './revisions';
import { outOfDate, storeScheme } from './saveScheme';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';

export const takeTwinSchema = object({ keep: id(), replace: id() });

/**
 * One paint or mix in place of two, in every open scheme that takes it. Each scheme is kept as a revision before, which says why; that is
 * the way back, here or in the Scheme view.
 */
export async function takeTwin(stores: Stores, { keep, replace }: InferType<typeof takeTwinSchema>, now: Date): Promise<TwinTaken> {
  const workshop = await loadWorkshop(stores, now);
  const schemes = workshop.units.map(({ scheme }) => scheme);
  const pots = withPots(workshop.paints, schemes, workshop.mixer);
  const pot = (field: string, potId: string) => {
    const found = pots.get(potId);
    if (!found) throw new InputError(field, potId, 'name a paint of the shelf, or a mix of an open scheme');
    return found;
  };
  const [kept, replaced] = [pot('keep', keep), pot('replace', replace)];
  if (keep === replace) throw new InputError('replace', replace, 'name another paint than the one that stays');
  if (kept.kind !== replaced.kind) throw new InputError('replace', replaced.name, `name a paint of the same kind (${kept.kind})`);
  const why = `Before “${kept.name}” took the place of “${replaced.name}”.`;
  return stores.allOrNothing(async (all) => {
    const units: TwinTaken['units'] = [];
    // Units with one scheme take it each for itself, and have one scheme still.
    for (const unit of workshop.units) {
      const merged = withOnePot(unit.scheme, keep, replace, schemes);
      if (JSON.stringify(merged) === JSON.stringify(unit.scheme)) continue;
      const before = await keepRevision(all, unit, 'kept', why, now);
      const around = (await all.commissions.units(unit.commissionId)).map((each) =>
        each.id === unit.id ? { ...each, scheme: merged } : each,
      );
      const { revision } = await storeScheme(all, { unit, scheme: merged, around }, now);
      units.push({ unitId: unit.id, name: unit.name, revisionId: before.id, schemeRevision: revision });
    }
    if (units.length === 0) throw new InputError('replace', replaced.name, 'name a paint or a mix that an open scheme takes');
    return { units };
  });
}

export const undoTwinSchema = object({
  units: list(object({ unitId: id(), revisionId: id(), schemeRevision: count(1) }), 500, 1),
});

/** Takes it back everywhere; refused as a whole where a scheme was changed since. */
export async function undoTwin(stores: Stores, { units }: InferType<typeof undoTwinSchema>, now: Date): Promise<void> {
  const kept = await stores.revisions.ofUnits(units.map(({ unitId }) => unitId));
  await stores.allOrNothing(async (all) => {
    for (const { unitId, revisionId, schemeRevision } of units) {
      const before = kept.find((revision) => revision.id === revisionId && revision.unitId === unitId);
      if (!before) throw new ConflictError('The scheme as it was before is not kept any more: set the paint back in the Scheme view.');
      const unit = await all.commissions.findUnit(unitId);
      if (unit?.schemeRevision !== schemeRevision) throw outOfDate();
      await storeScheme(all, { unit, scheme: before.scheme, around: await all.commissions.units(unit.commissionId) }, now);
    }
  });
}
