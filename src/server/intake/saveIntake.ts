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
import { followed } from '../../core/scheme/authoring/linked';
import { allModels } from '../../core/scheme/model/whoTakes';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import type { StoredUnit } from '../../core/commission/definitions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission, loadWorkshop } from '../workshop/loadWorkshop';
import { startedUnits } from '../workshop/startedUnits';
import { asideOf } from '../schemes/asideOf';
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
  const takenOut = new Set((await stores.commissions.removedUnits(commission.id)).map((unit) => unit.id));
  const started = new Set(startedUnits([...before.values()], (await loadWorkshop(stores, now)).marks));
  const units = followingEachOther(
    input.units.map((unit) => ({
      known: before.get(unit.id),
      isBack: takenOut.has(unit.id),
      after: (known) => unitFor(unit, { known, isStarted: started.has(unit.id), removed }, commission.id),
    })),
    asideOf(removed),
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

interface Entry {
  known: StoredUnit | undefined;
  /** It was taken out, and is put back. */
  isBack: boolean;
  /** What becomes of it as it is by then. */
  after: (known: StoredUnit | undefined) => StoredUnit;
}

/** The units one after the other; what one changes of a scheme that it shares, those that are painted by the same one change too. */
function followingEachOther(entries: readonly Entry[], aside: ReturnType<typeof asideOf>): StoredUnit[] {
  const byNow = entries.map(({ known }) => known);
  const follow = (lead: StoredUnit, place: number) => {
    const own = byNow[place];
    if (!own || own.id === lead.id || lead.linked === null || own.linked !== lead.linked) return;
    const to = { scheme: own.scheme, models: allModels(own), aside: aside(own.id) };
    byNow[place] = { ...own, scheme: followed({ scheme: lead.scheme, models: allModels(lead) }, to, ulid) };
  };
  for (const [place, { after, isBack }] of entries.entries()) {
    const lead = isBack ? byNow.find((other, at) => !entries[at]!.isBack && other && other.linked === byNow[place]?.linked) : undefined;
    if (lead) follow(lead, place);
    const known = byNow[place];
    const unit = after(known);
    byNow[place] = unit;
    if (known && paintedOf(unit) !== paintedOf(known)) for (const other of entries.keys()) follow(unit, other);
  }
  return byNow.map((unit) => unit!);
}

/** What of a scheme is shared, to be compared. */
const paintedOf = ({ scheme: { groups: _groups, variants: _variants, ...shared } }: StoredUnit): string => JSON.stringify(shared);

/**
 * A unit as Intake leaves it. Another count: who is not there any more is in no group, who comes back is what they were, and who is
 * new gets an option of every variant.
 */
function unitFor(
  { cleaning, gluedLater, ...entry }: IntakeInput['units'][number],
  { known, isStarted, removed }: { known: StoredUnit | undefined; isStarted: boolean; removed: readonly RemovedPiece[] },
  commissionId: string,
): StoredUnit {
  // Which scheme it is painted by is said in the Scheme view.
  const of = { commissionId, schemeRevision: known?.schemeRevision ?? 1, linked: known?.linked ?? null };
  const { scheme, ...roll } = known
    ? seatModels(known.scheme, known, entry, isStarted)
    : { scheme: EMPTY_SCHEME, gone: entry.gone, late: [] };
  const own = removed.filter(({ unitId }) => unitId === entry.id).map(({ piece }) => piece);
  const cleaned = cleaning === undefined ? scheme : withCleaning(scheme, cleaning, (place) => `clean-${entry.id}-${place}`, own);
  return { ...entry, ...of, ...roll, scheme: gluedLater === undefined ? cleaned : withGluedLater(cleaned, gluedLater, ulid, own) };
}
