import { array, object, type InferType } from 'yup';
import { id as idField } from '../../core/formats/fields';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import { modelsOf, type Unit } from '../../core/scheme/model/definitions';
import type { EarlierCommission } from '../../contract/commission';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';
import { copiesOf } from './lifecycle';

/** All commissions with their units, this one left out, the latest first: what a roster can be copied from. */
export async function earlierCommissions(stores: Pick<Stores, 'commissions'>, id: string | undefined): Promise<EarlierCommission[]> {
  const all = [...(await stores.commissions.listOpen()), ...(await stores.commissions.listClosed())].filter((each) => each.id !== id);
  const units = await stores.commissions.unitsOf(all.map((each) => each.id));
  return all
    .sort((a, b) => (a.createdAt < b.createdAt ? 1 : -1))
    .map((commission) => ({
      id: commission.id,
      name: commission.name,
      units: units
        .filter((unit) => unit.commissionId === commission.id)
        .map((unit) => ({ id: unit.id, name: unit.name, models: modelsOf({ ...unit, counted: null }) })),
    }))
    .filter((each) => each.units.length > 0);
}

export const copyUnitsSchema = object({ unitIds: array(idField()).strict().min(1, 'choose at least one unit').max(500).required() });

/** Adds like units to a commission: names, sizes, numbers and schemes as they were, nothing counted or painted. */
export async function copyUnits(
  stores: Stores,
  id: string | undefined,
  { unitIds }: InferType<typeof copyUnitsSchema>,
  now: Date,
): Promise<{ added: number }> {
  const commission = await findCommission(stores, id);
  const present: Unit[] = await stores.commissions.units(commission.id);
  const names = new Set(present.map((unit) => unit.name.trim().toLowerCase()));
  const chosen: Unit[] = [];
  for (const unitId of unitIds) {
    const unit = await stores.commissions.findUnit(unitId);
    if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been deleted. Reload the page.`);
    const { commissionId: _commission, schemeRevision: _revision, ...rest } = unit;
    chosen.push(rest);
  }
  const copies = copiesOf(chosen).map((copy) => {
    const named = { ...copy, name: freeName(copy.name, names) };
    names.add(named.name.toLowerCase());
    return named;
  });
  checkWorkSize([...present, ...copies]);
  await stores.allOrNothing(async ({ commissions }) => {
    if (!(await commissions.saveIntake(commission, [...present, ...copies], commission.revision)))
      throw new ConflictError('This commission was changed in another window meanwhile: reload the page, then copy the units again.');
    for (const unit of copies) await commissions.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
  });
  return { added: copies.length };
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  let free = name;
  for (let number = 2; taken.has(free.trim().toLowerCase()); number++) free = `${name} ${number}`;
  return free;
}
