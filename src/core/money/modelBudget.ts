import type { ScopeChange } from '../commission/scope';
import type { Level } from '../scheme/model/definitions';
import type { Quote, Rate } from './definitions';

/** What one model of a unit may take, at the price agreed or at the level chosen; minutes at the bench. */
export interface ModelBudget {
  unitId: string;
  /** Name of the level by minutes; null for the price. */
  level: string | null;
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
    return [{ unitId, level: null, models, budget: budget / models, spent: took / models, needed: left / models }];
  });
}

/** The same of units that are painted to a level by minutes. */
export const levelBudgets = (
  units: readonly { unitId: string; level: Level | null; models: number; took: number; left: number }[],
): ModelBudget[] =>
  units.flatMap(({ unitId, level, models, took, left }) =>
    level === null || models === 0
      ? []
      : [{ unitId, level: level.name, models, budget: level.minutes, spent: took / models, needed: left / models }],
  );
