import { ulid } from 'ulid';
import { array, object, type InferType } from 'yup';
import { checkUnits } from '../../core/formats/checkUnits';
import { commissionFields, unitFields } from '../../core/formats/commissionSchemas';
import { count, list, oneOf, requiredText } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import { checkWorkSize } from '../../core/formats/workSize';
import { CLEANINGS, withCleaning, withGluedLater } from '../../core/scheme/buildChoices';
import { fitRoster } from '../../core/scheme/dealOut';
import { EMPTY_SCHEME, modelsOf, type Scheme } from '../../core/scheme/definitions';
import { ConflictError } from '../errors';
import type { Stores } from '../stores';
import { findCommission } from '../workshop/loadWorkshop';
import { keepRevision } from './revisions';
import { scopeBefore, writeScope } from './scope';

/** What of a scheme is decided at the build; left out where it stays as it is. */
const buildFields = {
  cleaning: oneOf([...CLEANINGS, 'other'] as const).optional(),
  gluedLater: array(requiredText('the name of a part')).strict().max(20).optional(),
};

export const intakeSchema = object({
  revision: count(1),
  commission: object(commissionFields).required(),
  units: list(object({ ...unitFields, ...buildFields }), 500),
});

type IntakeInput = InferType<typeof intakeSchema>;

/** Saves a commission and its units as Intake shows them; once its scope is agreed, what changes of it is written down. Answers with the new revision. */
export async function saveIntake(stores: Stores, id: string | undefined, input: IntakeInput, now: Date): Promise<{ revision: number }> {
  const commission = await findCommission(stores, id);
  checkUnits(input.units);
  const elsewhere = await stores.commissions.unitsElsewhere(
    input.units.map((unit) => unit.id),
    commission.id,
  );
  if (elsewhere.length > 0) throw new InputError('units', elsewhere, 'give new units ids of their own: these belong to another commission');
  const before = new Map((await stores.commissions.allUnits(commission.id)).map((unit) => [unit.id, unit]));
  checkWorkSize(input.units.map((unit) => ({ ...unit, scheme: before.get(unit.id)?.scheme ?? EMPTY_SCHEME })));
  const scope = await scopeBefore(stores, commission, input, now);
  await stores.allOrNothing(async (within) => {
    const { commissions } = within;
    if (!(await commissions.saveIntake({ id: commission.id, ...input.commission }, input.units, input.revision)))
      throw new ConflictError(
        'This commission was changed in another window after this one was opened: reload the page, then make your change again.',
      );
    for (const unit of input.units) {
      const known = before.get(unit.id);
      const scheme = schemeFor(known?.scheme ?? EMPTY_SCHEME, unit, known ? modelsOf(known) : null);
      if (JSON.stringify(scheme) !== JSON.stringify(known?.scheme ?? EMPTY_SCHEME))
        await commissions.saveScheme(unit.id, scheme, known?.schemeRevision ?? 1, now.toISOString());
      if (known && unit.testModel === 'approved' && known.testModel !== 'approved')
        await keepRevision(within, { id: unit.id, scheme }, 'approved', '', now);
    }
  });
  await writeScope(stores, scope, now);
  return { revision: input.revision + 1 };
}

/**
 * The scheme as Intake leaves it. Another count: who is not there any more is in no group, and who is new gets an option of every
 * variant.
 */
function schemeFor(scheme: Scheme, unit: IntakeInput['units'][number], modelsBefore: number | null): Scheme {
  const models = modelsOf(unit);
  const dealt = modelsBefore === null || modelsBefore === models ? scheme : { ...scheme, ...fitRoster(scheme, models) };
  const cleaned = unit.cleaning === undefined ? dealt : withCleaning(dealt, unit.cleaning, (place) => `clean-${unit.id}-${place}`);
  return unit.gluedLater === undefined ? cleaned : withGluedLater(cleaned, unit.gluedLater, ulid);
}
