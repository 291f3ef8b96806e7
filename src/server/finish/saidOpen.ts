import type { StoredCommission } from '../../core/commission/definitions';
import { answeredWords } from '../../core/finish/answers';
import { undoneNow } from '../plan/undoneNow';
import type { Stores } from '../stores/stores';

/** What the client is told of what is not done, each with the painter's answer; varnish is cured by the time the parcel is opened. */
export async function saidOpen(stores: Stores, commission: StoredCommission, now: Date): Promise<string[]> {
  if (commission.closedAt !== null) return stores.commissions.undone(commission.id);
  const { answers } = (await stores.finishing.load(commission.id)).finishing;
  const undone = await undoneNow(stores, commission, now);
  return undone.filter(({ kind }) => kind !== 'curing').map((each) => answeredWords(each, answers));
}
