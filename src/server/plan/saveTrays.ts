import { object, type InferType } from 'yup';
import { unitFields } from '../../core/formats/scheme/commissionSchemas';
import { count, id, list, yesOrNo } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import { ConflictError } from '../stores/errors';
import { findCommission } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';

export const saveTraysSchema = object({
  revision: count(1),
  units: list(
    object({ id: id(), trayLimit: unitFields.trayLimit, trayByTray: yesOrNo().optional(), goesFirst: yesOrNo().optional() }),
    500,
  ),
});

/** Sets how many models of each unit named travel together at most, and what is finished before the next. Answers with the new revision of the commission. */
export async function saveTrays(
  stores: Pick<Stores, 'commissions'>,
  commissionId: string | undefined,
  { revision, units }: InferType<typeof saveTraysSchema>,
): Promise<{ revision: number }> {
  const commission = await findCommission(stores, commissionId);
  const present = await stores.commissions.units(commission.id);
  const known = new Set(present.map((unit) => unit.id));
  units.forEach((unit, index) => {
    if (!known.has(unit.id)) throw new InputError(`units[${index}].id`, unit.id, 'name a unit of this commission');
  });
  const limits = new Map(units.map((unit) => [unit.id, unit.trayLimit]));
  checkWorkSize(present.map((unit) => ({ ...unit, trayLimit: limits.get(unit.id) ?? unit.trayLimit })));
  if (!(await stores.commissions.setTrays(commission.id, units, revision)))
    throw new ConflictError(
      'This commission was changed in another window after this one was opened: reload the page, then choose the trays again.',
    );
  return { revision: revision + 1 };
}
