import { undoneOf, undoneWords, type Undone } from '../../core/commission/undone';
import type { StoredCommission } from '../../core/commission/definitions';
import type { Stores } from '../stores/stores';
import { findOpenCommission, loadWorkshop } from '../workshop/loadWorkshop';

/** What stands between an open commission and its hand-over. */
export async function undoneNow(stores: Stores, { id }: Pick<StoredCommission, 'id'>, now: Date): Promise<Undone[]> {
  const { units, marks, house } = await loadWorkshop(stores, now);
  return undoneOf({
    units: units.filter((unit) => unit.commissionId === id),
    marks,
    house,
    changes: await stores.scope.ofCommission(id),
    now: now.getTime(),
  });
}

/** The same in words; of a commission that was handed over, what was not done then. */
export async function undoneWordsOf(stores: Stores, commission: StoredCommission, now: Date): Promise<string[]> {
  if (commission.closedAt !== null) return stores.commissions.undone(commission.id);
  return (await undoneNow(stores, commission, now)).map(undoneWords);
}

/** What a hand-over would leave undone. */
export async function loadUndone(stores: Stores, id: string | undefined, now: Date): Promise<Undone[]> {
  const { commission } = await findOpenCommission(stores, id, now);
  return undoneNow(stores, commission, now);
}
