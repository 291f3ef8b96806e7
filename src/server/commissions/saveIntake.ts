import { object, type InferType } from 'yup';
import { checkUnits } from '../../core/formats/checkUnits';
import { commissionFields, unitFields } from '../../core/formats/commissionSchemas';
import { count, list } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import { checkWorkSize } from '../../core/formats/workSize';
import { ConflictError } from '../errors';
import type { Stores } from '../stores';
import { findCommission } from '../workshop/loadWorkshop';

export const intakeSchema = object({
  revision: count(1),
  commission: object(commissionFields).required(),
  units: list(object(unitFields), 500),
});

/** Saves a commission and its units as Intake shows them. Answers with the new revision. */
export async function saveIntake(
  stores: Pick<Stores, 'commissions'>,
  id: string | undefined,
  input: InferType<typeof intakeSchema>,
): Promise<{ revision: number }> {
  const commission = await findCommission(stores, id);
  checkUnits(input.units);
  const elsewhere = await stores.commissions.unitsElsewhere(
    input.units.map((unit) => unit.id),
    commission.id,
  );
  if (elsewhere.length > 0) throw new InputError('units', elsewhere, 'give new units ids of their own: these belong to another commission');
  const schemes = new Map((await stores.commissions.allUnits(commission.id)).map((unit) => [unit.id, unit.scheme]));
  checkWorkSize(input.units.map((unit) => ({ ...unit, scheme: schemes.get(unit.id) ?? { parts: [], allOver: [] } })));
  const saved = await stores.commissions.saveIntake({ id: commission.id, ...input.commission }, input.units, input.revision);
  if (!saved)
    throw new ConflictError(
      'This commission was changed in another window after this one was opened: reload the page, then make your change again.',
    );
  return { revision: input.revision + 1 };
}
