import { monotonicFactory } from 'ulid';
import { boolean, object, type InferType } from 'yup';
import { note } from '../../core/formats/fields';
import { priceMinor } from '../../core/formats/commission/moneyFields';
import { scopeDifferences, writtenDown, type ScopeDifference } from '../../core/commission/scopeChanges';
import type { StoredCommission, StoredUnit } from '../../core/commission/definitions';
import { NotFoundError } from '../stores/errors';
import { passEstimates } from '../plan/benchEstimate';
import type { Stores } from '../stores/stores';
import { findCommission, loadWorkshop, workUnit, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';
import { startedUnits } from '../workshop/startedUnits';

/** What a save is about to change of an agreed scope. */
interface ComingChange {
  commissionId: string;
  differences: ScopeDifference[];
  before: AgreedMinutes;
  after: AgreedMinutes;
}

/** Likely hands-on minutes of each unit, by its id, with all models that it should have: whether they came is another matter. */
type AgreedMinutes = ReadonlyMap<string, number>;

/**
 * The changes of scope that a save makes, if it was agreed: said so, or models are painted already; null when nothing is to be
 * written down. Worked out before anything is written, so that the changes go in with what they are changes of.
 */
export async function scopeBefore(
  stores: Stores,
  commission: StoredCommission,
  input: { commission: Pick<StoredCommission, 'name' | 'standard' | 'dueOn'>; units: readonly StoredUnit[] },
  now: Date,
): Promise<ComingChange | null> {
  const units = await stores.commissions.units(commission.id);
  const differences = scopeDifferences({ commission, units }, input);
  if (differences.length === 0 || commission.closedAt !== null) return null;
  const workshop = await loadWorkshop(stores, now);
  if (commission.agreedAt === null && startedUnits(units, workshop.marks).length === 0) return null;
  const next = { ...commission, ...input.commission };
  return {
    commissionId: commission.id,
    differences,
    before: agreedMinutes(
      workshop,
      workshop.units.filter((unit) => unit.commissionId === commission.id),
    ),
    after: agreedMinutes(
      workshop,
      input.units.map((unit) => workUnit(unit, next)),
    ),
  };
}

/** Writes the changes down with what each did to the hours. What was quoted since a change was made stays out of it. */
export async function writeScope({ scope, quotes }: Stores, coming: ComingChange | null, now: Date): Promise<void> {
  if (coming === null) return;
  const { commissionId, differences, before, after } = coming;
  const quotedAt = (await quotes.ofCommission(commissionId)).at(-1)?.writtenAt ?? '';
  const nextId = monotonicFactory();
  let minutes = sumOf(before);
  for (const [difference, added] of sharedMinutes(differences, before, after)) {
    const written = (await scope.allOfCommission(commissionId)).filter(({ at }) => at > quotedAt);
    const times = { at: now.toISOString(), minutesBefore: minutes, minutesAfter: minutes + added };
    minutes += added;
    const { kept, gone, takenBack } = writtenDown(written, difference, { id: nextId(now.getTime()), commissionId, ...times });
    if (kept) await scope.put(kept);
    if (gone !== null) await scope.remove(gone);
    if (takenBack !== null) await scope.takeBack(takenBack, now.toISOString());
  }
}

const agreedMinutes = (workshop: Workshop, units: readonly WorkUnit[]): AgreedMinutes =>
  new Map(
    units.map((unit) => {
      const { passes } = passEstimates(workshop, [{ ...unit, counted: null }]);
      return [unit.id, passes.reduce((sum, pass) => sum + pass.unitMinutes, 0)];
    }),
  );

const sumOf = (minutes: AgreedMinutes) => [...minutes.values()].reduce((sum, each) => sum + each, 0);

/** What each of several changes made at once did to the hours: that of a unit is the unit's, the rest is the commission's own. */
function sharedMinutes(differences: readonly ScopeDifference[], before: AgreedMinutes, after: AgreedMinutes): [ScopeDifference, number][] {
  const taken = new Set<string | null>();
  let rest = sumOf(after) - sumOf(before);
  const isAlone = differences.length === 1;
  return differences.map((difference): [ScopeDifference, number] => {
    const { unitId, subject } = difference;
    if (subject === 'due date' || taken.has(unitId)) return [difference, 0];
    taken.add(unitId);
    const added = unitId === null || isAlone ? rest : (after.get(unitId) ?? 0) - (before.get(unitId) ?? 0);
    rest -= added;
    return [difference, added];
  });
}

export const agreedSchema = object({ agreed: boolean().strict().required() });

/** Says that the scope is agreed with the client, or that it is open again. */
export async function setAgreed(
  stores: Stores,
  id: string | undefined,
  { agreed }: InferType<typeof agreedSchema>,
  now: Date,
): Promise<void> {
  const commission = await findCommission(stores, id);
  await stores.commissions.setAgreed(commission.id, agreed ? now.toISOString() : null);
}

export const scopeSchema = object({ note: note(), priceMinor: priceMinor() });

/** What was said about a change of scope, and what was agreed for it. */
export async function settleScope(stores: Stores, id: string | undefined, input: InferType<typeof scopeSchema>): Promise<void> {
  if (!(await stores.scope.settle(id ?? '', input)))
    throw new NotFoundError(`There is no change of scope ${id}: it may have been taken back. Reload the page.`);
}
