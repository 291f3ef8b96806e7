import { DAY_MS } from '../../kernel/timeUnits';
import type { RosterUnit } from '../build/roster';
import type { HouseRules } from '../../scheme/model/houseRules';
import { passesOf } from '../../scheme/passes/passes';
import { endOfDay } from './benchSessions';

/** Days that the varnish of some units has to cure before they travel: one, and one more for each other kind over it. */
export const cureDays = (units: readonly RosterUnit[], house: Pick<HouseRules, 'schools'>): number =>
  Math.max(0, ...units.map((unit) => varnishesOf(unit, house)));

function varnishesOf(unit: RosterUnit, house: Pick<HouseRules, 'schools'>): number {
  const pots = passesOf(unit, unit.standard, house)
    .filter(({ step }) => step.technique === 'varnish')
    .map(({ dips }) => dips[0]!.potId);
  return new Set(pots).size;
}

/** The last moment of painting for a date, UTC ms: what comes after is for the varnish. */
export const paintBy = (dueOn: string, days: number): number => endOfDay(dueOn) - days * DAY_MS;
