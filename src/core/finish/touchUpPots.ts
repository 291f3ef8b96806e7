import type { RosterUnit } from '../plan/build/roster';
import type { HouseRules } from '../scheme/model/houseRules';
import type { Pot } from '../scheme/model/pots';
import { mixTexts, recipeOf } from '../scheme/model/recipe';
import { labelOf } from '../scheme/model/techniques';
import { placeWords } from '../scheme/model/workWords';
import { passesOf } from '../scheme/passes/passes';

/** A pot of a unit, as whoever repairs it later has to know it. */
export interface PotUsed {
  paintId: string;
  name: string;
  /** How it is put on: Base coat, Layer. */
  how: string;
  /** How the mix is made, and what the painter noted of it. */
  recipe: string[];
}

/** Where a unit has which paint, in the order it was painted. */
export interface PartPots {
  where: string;
  pots: PotUsed[];
}

/** What each part of a unit is painted with, the latest on top; coats of the same step are said once. */
export function touchUpPots(unit: RosterUnit, paints: ReadonlyMap<string, Pot>, house: Pick<HouseRules, 'schools'>): PartPots[] {
  const mixes = mixTexts(unit.scheme, paints);
  const parts = new Map<string, PotUsed[]>();
  for (const { step, coat, half, where, dips } of passesOf(unit, unit.standard, house)) {
    if (coat > 1 || (half !== null && half !== 'fronts' && half !== 'fill')) continue;
    for (const { potId } of dips) {
      const pot = paints.get(potId ?? '');
      if (!pot) continue;
      const place = placeWords(where);
      parts.set(place, [
        ...(parts.get(place) ?? []),
        { paintId: pot.id, name: pot.name, how: labelOf(step), recipe: recipeOf(step, pot.id, mixes) },
      ]);
    }
  }
  return [...parts].map(([where, pots]) => ({ where, pots }));
}
