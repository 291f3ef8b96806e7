import { ulid } from 'ulid';
import { object, type InferType } from 'yup';
import { note } from '../../core/formats/fields';
import type { Unit } from '../../core/scheme/model/definitions';
import type { RevisionReason, SchemeRevision } from '../../core/commission/revisions';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';

/** Keeps the scheme of a unit as it stands. */
export async function keepRevision(
  stores: Pick<Stores, 'revisions'>,
  unit: Pick<Unit, 'id' | 'scheme'>,
  why: RevisionReason,
  said: string,
  now: Date,
): Promise<SchemeRevision> {
  const revision = { id: ulid(now.getTime()), unitId: unit.id, at: now.toISOString(), why, note: said, scheme: unit.scheme };
  await stores.revisions.insert(revision);
  return revision;
}

export const revisionSchema = object({ note: note() });

/** Keeps it because the painter wants to come back to it. */
export async function keepByHand(
  stores: Pick<Stores, 'revisions' | 'commissions'>,
  unitId: string | undefined,
  input: InferType<typeof revisionSchema>,
  now: Date,
): Promise<SchemeRevision> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been taken out. Reload the page.`);
  return keepRevision(stores, unit, 'kept', input.note, now);
}
