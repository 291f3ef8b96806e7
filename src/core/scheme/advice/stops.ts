import type { Standard, Stop, Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { hardRules } from '../rules/orderRules';
import { passesOf } from '../passes/passes';
import type { Pot } from '../model/pots';

/** Ids of all steps that are painted by a stop: its own, and whatever must stand before them. */
export function stepsUntil(
  stop: Pick<Stop, 'steps'>,
  unit: Unit,
  standard: Standard,
  pots: ReadonlyMap<string, Pot>,
  house: HouseRules,
): Set<string> {
  const passes = passesOf(unit, standard, house);
  const stepOf = new Map(passes.map((pass) => [pass.key, pass.step.id]));
  const before = new Map<string, string[]>();
  for (const rule of hardRules(unit, passes, pots, house).hard) before.set(rule.after, [...(before.get(rule.after) ?? []), rule.before]);
  const own = new Set(stop.steps);
  const open = passes.filter((pass) => own.has(pass.step.id)).map((pass) => pass.key);
  const found = new Set<string>();
  for (let key = open.pop(); key !== undefined; key = open.pop()) {
    if (found.has(key)) continue;
    found.add(key);
    open.push(...(before.get(key) ?? []));
  }
  return new Set([...found].map((key) => stepOf.get(key)!));
}
