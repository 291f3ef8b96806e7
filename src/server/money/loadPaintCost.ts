import { unitAmounts, type UnitAmounts } from '../../core/paint/amounts';
import { paintCost, type PaintCost } from '../../core/paint/paintCost';
import { approved } from '../../core/scheme/model/definitions';
import { paintStanding } from '../plan/paintStanding';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';

/** What the paint of some units costs; null where pots are priced in another currency. */
export async function loadPaintCost(
  stores: Stores,
  workshop: Workshop,
  currency: string,
  units: readonly WorkUnit[],
): Promise<PaintCost | null> {
  if (workshop.house.currency !== currency) return null;
  const { shelf, left, factors, amounts } = await paintStanding(stores, workshop);
  const whole = units.map((unit) => unitAmounts(approved(unit), unit.standard, workshop.house, undefined, factors));
  return paintCost(together(whole), together(units.flatMap(({ id }) => amounts.get(id) ?? [])), shelf, left);
}

function together(all: readonly UnitAmounts[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { paints } of all) for (const [id, ml] of paints) sums.set(id, (sums.get(id) ?? 0) + ml);
  return sums;
}
