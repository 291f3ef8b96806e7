import type { BenchFigures } from '../../contract/bench';
import { amountsSaid } from '../../core/paint/amountWords';
import { benchEstimate } from '../plan/benchEstimate';
import { loadBudgets } from '../money/loadBudgets';
import { paintStanding } from '../plan/paintStanding';
import { chosenUnits } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';
import { withTodaysNames } from '../workshop/todaysNames';

/** What moves with every model: the figures of the line on the bench, and the work whose minutes nobody knows. */
export async function loadFigures(stores: Stores, now: Date): Promise<BenchFigures> {
  const workshop = await loadWorkshop(stores, now);
  const { commissions, bench } = await benchEstimate(stores, workshop, now);
  const order = await stores.workshop.bench();
  const units = order ? chosenUnits(workshop, order.selection) : [];
  const { amounts, left } = await paintStanding(stores, workshop);
  const onBench = new Set(units.map((unit) => unit.id));
  return {
    figures: bench,
    passes: [...commissions.values()].flatMap(({ passes }) =>
      passes.filter(({ unitId }) => onBench.has(unitId)).map(({ passKey, p50, why }) => ({ passKey, p50, why })),
    ),
    budgets: await loadBudgets(stores, workshop, units, now),
    amounts: units.flatMap(({ id }) => amountsSaid(amounts.get(id)!, workshop.paints, left).map((said) => ({ ...said, unitId: id }))),
    openRows: await withTodaysNames(stores, await stores.timeLog.open(workshop.units.map((unit) => unit.id))),
  };
}
