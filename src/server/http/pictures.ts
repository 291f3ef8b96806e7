import { programTime } from '../running/programTime';
import { services } from '../starting/services';
import type { Stores } from '../stores/stores';
import { openQuestions } from '../running/serving';

/** What a page is drawn from, if it is there in a moment; else the view asks for it at this address. */
export async function pictureFor<T>(url: string, load: (stores: Stores, now: Date) => Promise<T>): Promise<T | null> {
  const stores = await services();
  const found = await openQuestions.soon(`${url} ${await stores.version()}`, () => load(stores, programTime()));
  return found?.ready ?? null;
}
