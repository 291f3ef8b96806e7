import type { LineDraws } from '../../contract/line';
import { ORDER_DRAWS, passDraws, passFactors } from '../workshop/passDraws';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';

/** Thousandths are finer than anybody's pace is known. */
const rounded = (factor: number) => Math.round(factor * 1000) / 1000;

/** The draws that every date of the bench is timed under, pass by pass. */
export async function loadDraws(stores: Stores, now: Date): Promise<LineDraws> {
  const factors = await passFactors(await passDraws(await loadWorkshop(stores, now)));
  return { draws: ORDER_DRAWS, passes: [...factors].map(([key, each]) => [key, Array.from(each.subarray(0, ORDER_DRAWS), rounded)]) };
}
