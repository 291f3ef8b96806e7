import { ulid } from 'ulid';
import { array, object, type InferType } from 'yup';
import { checkUnits } from '../../core/formats/commission/checkUnits';
import { commissionFields, unitFields } from '../../core/formats/scheme/commissionSchemas';
import { count, list, oneOf, requiredText } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import { CLEANINGS, withCleaning, withGluedLater } from '../../core/scheme/authoring/buildChoices';
import { EMPTY_SCHEME } from '../../core/scheme/model/definitions';
import { seatModels } from '../../core/scheme/authoring/gone';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import type { StoredUnit } from '../../core/commission/definitions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission, loadWorkshop } from '../workshop/loadWorkshop';
import { startedUnits } from '../workshop/startedUnits';
import { keepRevision } from '../schemes/revisions';
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
  const removed = await stores.commissions.removedPieces(input.units.map((unit) => unit.id));
  const started = new Set(startedUnits([...before.values()], (await loadWorkshop(stores, now)).marks));
  const units = input.units.map((unit) =>
    unitFor(unit, { known: before.get(unit.id), isStarted: started.has(unit.id), removed }, commission.id),
  );
  checkWorkSize(units);
  const scope = await scopeBefore(stores, commission, { commission: input.commission, units }, now);
  await stores.allOrNothing(async (within) => {
    const { commissions } = within;
    if (!(await commissions.saveIntake({ id: commission.id, ...input.commission }, units, input.revision)))
      throw new ConflictError(
        'This commission was changed in another window after this one was opened: reload the page, then make your change again.',
      );
    for (const unit of units) {
      const known = before.get(unit.id);
      if (JSON.stringify(unit.scheme) !== JSON.stringify(known?.scheme ?? EMPTY_SCHEME))
        await commissions.saveScheme(unit.id, unit.scheme, unit.schemeRevision, now.toISOString());
      if (known && unit.testModel === 'approved' && known.testModel !== 'approved')
        await keepRevision(within, { id: unit.id, scheme: unit.scheme }, 'approved', '', now);
    }
    await writeScope(within, scope, now);
  });
  return { revision: input.revision + 1 };
}

/**
 * A unit as Intake leaves it. Another count: who is not there any more is in no group, who comes back is what they were, and who is
 * new gets an option of every variant.
 */
function unitFor(
  { cleaning, gluedLater, ...entry }: IntakeInput['units'][number],
  { known, isStarted, removed }: { known: StoredUnit | undefined; isStarted: boolean; removed: readonly RemovedPiece[] },
  commissionId: string,
): StoredUnit {
  const of = { commissionId, schemeRevision: known?.schemeRevision ?? 1 };
  const { scheme, ...roll } = known
    ? seatModels(known.scheme, known, entry, isStarted)
    : { scheme: EMPTY_SCHEME, gone: entry.gone, late: [] };
  const own = removed.filter(({ unitId }) => unitId === entry.id).map(({ piece }) => piece);
  const cleaned = cleaning === undefined ? scheme : withCleaning(scheme, cleaning, (place) => `clean-${entry.id}-${place}`, own);
  return { ...entry, ...of, ...roll, scheme: gluedLater === undefined ? cleaned : withGluedLater(cleaned, gluedLater, ulid, own) };
}
