import { object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { minutes, note, requiredText } from '../../core/formats/fields';
import { priceMinor } from '../../core/formats/commission/moneyFields';
import type { ScopeChange } from '../../core/commission/scope';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';

export const extraSchema = object({ what: requiredText('what was added'), minutes: minutes(), priceMinor: priceMinor(), note: note() });

/** Writes down something that was added, or given, and that no count or standard tells of. */
export async function addExtra(
  stores: Stores,
  id: string | undefined,
  { what, minutes: minutesAfter, priceMinor: price, note: said }: InferType<typeof extraSchema>,
  now: Date,
): Promise<ScopeChange> {
  const commission = await findCommission(stores, id);
  const extra: ScopeChange = {
    id: ulid(now.getTime()),
    commissionId: commission.id,
    at: now.toISOString(),
    unitId: null,
    unit: '',
    subject: 'extra',
    before: '',
    after: what,
    minutesBefore: 0,
    minutesAfter,
    note: said,
    priceMinor: price,
    takenBackAt: null,
  };
  await stores.scope.put(extra);
  return extra;
}

/** Takes an extra back; other changes of scope are taken back where they were made. */
export async function removeExtra(stores: Stores, id: string | undefined): Promise<void> {
  if (!(await stores.scope.removeExtra(id ?? ''))) throw new NotFoundError(`There is no extra ${id}: reload the page.`);
}
