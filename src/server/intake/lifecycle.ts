import { boolean, object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { day, requiredText } from '../../core/formats/fields';
import { copyScheme } from '../../core/scheme/authoring/copyScheme';
import { followed } from '../../core/scheme/authoring/linked';
import { EMPTY_SCHEME, UNCOUNTED, type Unit } from '../../core/scheme/model/definitions';
import { seatModels } from '../../core/scheme/authoring/gone';
import { allModels } from '../../core/scheme/model/whoTakes';
import { UNSAVED } from '../../data/file/revisions';
import { NotFoundError } from '../stores/errors';
import { endOtherWorkOf } from '../bench/otherWork';
import { findCommission } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';
import { undoneWordsOf } from '../plan/undoneNow';

export const closeSchema = object({ closed: boolean().strict().required() });

/** Hands a commission over and puts it away, whatever is not done; that is kept with it. Or opens it again. */
export async function closeCommission(
  stores: Stores,
  id: string | undefined,
  { closed }: InferType<typeof closeSchema>,
  now: Date,
): Promise<void> {
  const commission = await findCommission(stores, id);
  if (closed && commission.closedAt !== null) return;
  const undone = closed ? await undoneWordsOf(stores, commission, now) : [];
  await stores.allOrNothing(async (within) => {
    if (closed) await endOtherWorkOf(within, commission.id, now);
    await within.commissions.setClosed(commission.id, closed ? now.toISOString() : null, undone);
  });
}

export const deleteSchema = object({ deleted: boolean().strict().required() });

/** Deletes a commission, or takes that back; its rows of the log stay, as they are the painter's experience. */
export async function deleteCommission(
  stores: Stores,
  id: string | undefined,
  { deleted }: InferType<typeof deleteSchema>,
  now: Date,
): Promise<void> {
  await stores.allOrNothing(async (within) => {
    if (deleted) await endOtherWorkOf(within, id ?? '', now);
    if (!(await within.commissions.setDeleted(id ?? '', deleted ? now.toISOString() : null)))
      throw new NotFoundError(`There is no commission ${id}: reload the page.`);
  });
}

/** A commission that was deleted and can come back; null when there is none of that id. */
export const deletedCommission = (stores: Pick<Stores, 'commissions'>, id: string): Promise<{ id: string; name: string } | null> =>
  stores.commissions.findDeleted(id);

export const duplicateSchema = object({ name: requiredText('a name for the new commission'), dueOn: day() });

/** Makes a like order of a commission: its units with their schemes and counts promised, and its terms; nothing painted or counted yet. */
export async function duplicateCommission(
  stores: Stores,
  id: string | undefined,
  { name, dueOn }: InferType<typeof duplicateSchema>,
  now: Date,
): Promise<{ id: string }> {
  const { revision: _revision, createdAt: _created, closedAt: _closed, ...commission } = await findCommission(stores, id);
  const copy = { ...commission, id: ulid(now.getTime()), name, dueOn };
  const units = copiesOf(await stores.commissions.units(commission.id));
  const { terms, revision } = await stores.quotes.terms(commission.id);
  await stores.allOrNothing(async ({ commissions, quotes }) => {
    await commissions.insert(copy, now.toISOString());
    // Priced alike; what was asked and paid was for the other one.
    if (revision !== UNSAVED) await quotes.saveTerms(copy.id, { ...terms, ownPriceMinor: null, depositPaid: null }, UNSAVED);
    await commissions.saveIntake(copy, units, 1);
    for (const unit of units) await commissions.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
  });
  return { id: copy.id };
}

/** Units as they would be ordered again; whose test model speaks for whom, and who is painted by one scheme, stays among them. */
export function copiesOf(units: readonly Unit[]): Unit[] {
  const copies = units.map(copyUnit);
  const idOf = new Map(units.map((unit, index) => [unit.id, copies[index]!.id]));
  const tested = copies.map((copy, index) => ({ ...copy, testedBy: idOf.get(units[index]!.testedBy ?? '') ?? null }));
  return linkedAs(units, tested);
}

/** Copies of units that are painted by one scheme are painted by one of their own. */
function linkedAs(units: readonly Unit[], copies: readonly Unit[]): Unit[] {
  const leads = new Map<string, Unit>();
  return copies.map((copy, index) => {
    const set = units[index]!.linked;
    if (set === null || units.filter(({ linked }) => linked === set).length < 2) return copy;
    const lead = leads.get(set);
    if (lead) {
      const own = { ...EMPTY_SCHEME, groups: copy.scheme.groups, variants: copy.scheme.variants };
      const scheme = followed({ scheme: lead.scheme, models: allModels(lead) }, { scheme: own, models: allModels(copy) }, ulid);
      return { ...copy, linked: lead.linked, scheme };
    }
    const first = { ...copy, linked: ulid() };
    leads.set(set, first);
    return first;
  });
}

/** The unit as it would be ordered again: nothing painted, counted or settled yet. */
function copyUnit(unit: Unit): Unit {
  const whole = { ...unit, counted: null, gone: [], late: [] };
  const { scheme } = seatModels(unit.scheme, unit, whole);
  return {
    ...unit,
    id: ulid(),
    ...UNCOUNTED,
    owned: unit.owned,
    holder: unit.holder,
    bits: unit.bits,
    testModel: unit.testModel === 'none' ? 'none' : 'waiting',
    scheme: copyScheme(scheme, ulid),
  };
}
