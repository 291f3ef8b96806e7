import type { ScopeChange } from '../commission/scope';
import type { Quote, Rate } from './definitions';

/** What one model of a unit may take at the price agreed; minutes at the bench. */
export interface ModelBudget {
  unitId: string;
  models: number;
  budget: number;
  /** On average over the models of the unit. */
  spent: number;
  /** What it likely still takes. */
  needed: number;
}

/**
 * The hours that the agreed price pays for, for each model of each unit: its line of the quote and what was agreed for it since, at
 * the rate. Units that the quote does not have are left out.
 */
export function modelBudgets(
  { offer, writtenAt }: Pick<Quote, 'offer' | 'writtenAt'>,
  changes: readonly ScopeChange[],
  units: readonly { unitId: string; models: number; took: number; left: number }[],
  { hourlyRateMinor }: Pick<Rate, 'hourlyRateMinor'>,
): ModelBudget[] {
  if (hourlyRateMinor === 0) return [];
  return units.flatMap(({ unitId, models, took, left }): ModelBudget[] => {
    const line = offer.price.units.find((unit) => unit.unitId === unitId);
    if (!line || models === 0) return [];
    const added = changes
      .filter((change) => change.unitId === unitId && change.at > writtenAt)
      .reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0);
    const budget = ((line.priceMinor + added) / hourlyRateMinor) * 60;
    return [{ unitId, models, budget: budget / models, spent: took / models, needed: left / models }];
  });
}
