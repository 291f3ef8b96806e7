import { agreedQuote } from '../../core/money/definitions';
import { levelBudgets, modelBudgets, type ModelBudget } from '../../core/money/modelBudget';
import { modelsOf } from '../../core/scheme/model/definitions';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { workedUnits } from './workedHours';

/** What a model of each of these units may take: at the price agreed, and at the level by minutes it is painted to, where there are such. */
export async function loadBudgets(stores: Stores, workshop: Workshop, units: readonly WorkUnit[], now: Date): Promise<ModelBudget[]> {
  const ids = [...new Set(units.map((unit) => unit.commissionId))];
  const quotes = await stores.quotes.ofCommissions(ids);
  const budgets: ModelBudget[] = [];
  for (const id of ids) {
    const agreed = agreedQuote(quotes.filter(({ commissionId }) => commissionId === id));
    const its = workshop.units.filter((unit) => unit.commissionId === id);
    if (!agreed && its.every(({ scheme }) => scheme.level === undefined)) continue;
    const commission = workshop.commissions.find((each) => each.id === id)!;
    const worked = await workedUnits(stores, workshop, commission, its, now);
    const hours = worked.units.map((unit) => {
      const known = its.find((each) => each.id === unit.unitId);
      return { ...unit, models: known ? modelsOf(known) : 0, level: known?.scheme.level ?? null };
    });
    if (agreed) budgets.push(...modelBudgets(agreed, await stores.scope.ofCommission(id), hours, agreed.offer));
    budgets.push(...levelBudgets(hours));
  }
  return budgets.filter(({ unitId }) => units.some((unit) => unit.id === unitId));
}
