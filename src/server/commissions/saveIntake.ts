import { object, type InferType } from 'yup';
import { checkUnits } from '../../core/formats/checkUnits';
import { commissionFields, unitFields } from '../../core/formats/commissionSchemas';
import { count, list } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import { checkWorkSize } from '../../core/formats/workSize';
import { fitRoster } from '../../core/scheme/dealOut';
import { EMPTY_SCHEME, modelsOf } from '../../core/scheme/definitions';
import type { StoredUnit } from '../../core/views/stored';
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
  stores: Stores,
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
  const before = new Map((await stores.commissions.allUnits(commission.id)).map((unit) => [unit.id, unit]));
  checkWorkSize(input.units.map((unit) => ({ ...unit, scheme: before.get(unit.id)?.scheme ?? EMPTY_SCHEME })));
  await stores.allOrNothing(async ({ commissions }) => {
    if (!(await commissions.saveIntake({ id: commission.id, ...input.commission }, input.units, input.revision)))
      throw new ConflictError(
        'This commission was changed in another window after this one was opened: reload the page, then make your change again.',
      );
    for (const unit of input.units) await dealAnew(commissions, before.get(unit.id), modelsOf(unit));
  });
  return { revision: input.revision + 1 };
}

/** Another count: who is not there any more is in no group, and who is new gets an option of every variant. */
async function dealAnew(commissions: Stores['commissions'], unit: StoredUnit | undefined, models: number): Promise<void> {
  if (!unit || modelsOf(unit) === models) return;
  const scheme = { ...unit.scheme, ...fitRoster(unit.scheme, models) };
  if (JSON.stringify(scheme) !== JSON.stringify(unit.scheme)) await commissions.setRoster(unit.id, scheme);
}
