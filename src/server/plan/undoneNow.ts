import { answeredWords } from '../../core/finish/answers';
import { undoneOf, type Undone } from '../../core/commission/undone';
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

/** The same in words, each with what the painter answers; of a commission that was handed over, what was not done then. */
export async function undoneWordsOf(stores: Stores, commission: StoredCommission, now: Date): Promise<string[]> {
  if (commission.closedAt !== null) return stores.commissions.undone(commission.id);
  const { answers } = (await stores.finishing.load(commission.id)).finishing;
  return (await undoneNow(stores, commission, now)).map((undone) => answeredWords(undone, answers));
}

/** What a hand-over would leave undone. */
export async function loadUndone(stores: Stores, id: string | undefined, now: Date): Promise<Undone[]> {
  const { commission } = await findOpenCommission(stores, id, now);
  return undoneNow(stores, commission, now);
}
