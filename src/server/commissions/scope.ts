import { ulid } from 'ulid';
import { boolean, object, type InferType } from 'yup';
import { note } from '../../core/formats/fields';
import { scopeDifferences, writtenDown, type ScopeDifference } from '../../core/scheme/scopeChanges';
import type { StoredCommission } from '../../core/views/stored';
import { NotFoundError } from '../errors';
import { commissionEstimate } from '../estimate/benchEstimate';
import type { Stores } from '../stores';
import { findCommission, loadWorkshop } from '../workshop/loadWorkshop';
import { startedUnits } from './startedUnits';

/** What a save is about to change of an agreed scope; null when nothing is to be written down. */
interface ComingChange {
  commissionId: string;
  differences: ScopeDifference[];
  minutesBefore: number;
}

/** The changes of scope that a save makes, if it was agreed: said so, or models are painted already. */
export async function scopeBefore(
  stores: Stores,
  commission: StoredCommission,
  input: Parameters<typeof scopeDifferences>[1],
  now: Date,
): Promise<ComingChange | null> {
  const units = await stores.commissions.units(commission.id);
  const differences = scopeDifferences({ commission, units }, input);
  if (differences.length === 0 || commission.closedAt !== null) return null;
  const workshop = await loadWorkshop(stores, now);
  if (commission.agreedAt === null && startedUnits(units, workshop.marks).length === 0) return null;
  const { wholeHandsOn } = await commissionEstimate(stores, workshop, commission.id, now);
  return { commissionId: commission.id, differences, minutesBefore: wholeHandsOn };
}

/** Writes the changes down with what they did to the hours. */
export async function writeScope(stores: Stores, coming: ComingChange | null, now: Date): Promise<void> {
  if (coming === null) return;
  const { commissionId, differences, minutesBefore } = coming;
  const { wholeHandsOn } = await commissionEstimate(stores, await loadWorkshop(stores, now), commissionId, now);
  for (const difference of differences) {
    const standing = await stores.scope.ofCommission(commissionId);
    const entry = { id: ulid(now.getTime()), commissionId, at: now.toISOString(), minutesBefore, minutesAfter: wholeHandsOn };
    const { kept, gone } = writtenDown(standing, difference, entry);
    if (kept) await stores.scope.put(kept);
    if (gone !== null) await stores.scope.remove(gone);
  }
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

export const scopeNoteSchema = object({ note: note() });

export async function noteScope(stores: Stores, id: string | undefined, input: InferType<typeof scopeNoteSchema>): Promise<void> {
  if (!(await stores.scope.setNote(id ?? '', input.note)))
    throw new NotFoundError(`There is no change of scope ${id}: it may have been taken back. Reload the page.`);
}
