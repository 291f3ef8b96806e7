import type { HousePicture } from '../../contract/house';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';

/** House rules as typed, and what the log has taught beside them. */
export async function loadHouse(stores: Stores, now: Date): Promise<HousePicture> {
  const [rules, revision] = await Promise.all([stores.houseRules.load(), stores.houseRules.revision()]);
  const { setups, strays, model } = await loadWorkshop(stores, now);
  return { rules, revision, setups, strays, leaders: model.leaders };
}
