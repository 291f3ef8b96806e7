import type { Paint, Standard, Step, Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { orderRules } from '../rules/orderRules';
import type { PassMinutes } from '../rules/ruleBetween';
import { passesOf, type Pass } from '../passes/passes';
import { withPots } from '../model/pots';
import { labelOf } from '../model/techniques';

const nameOf = (pass: Pass) => `${labelOf(pass.step).toLowerCase()}${pass.part ? ` on ${pass.part.name}` : ''}`;

/** The rules that hold a step where it is: what it waits for and what waits for it, hard ones first. */
export function reasonsFor(
  unit: Unit,
  step: Step,
  standard: Standard,
  paints: Paint[],
  house: HouseRules,
  minutesOf: PassMinutes,
): string[] {
  const passes = passesOf(unit, standard, house);
  const byKey = new Map(passes.map((pass) => [pass.key, pass]));
  const rules = orderRules(unit, passes, withPots(new Map(paints.map((paint) => [paint.id, paint])), [unit.scheme]), house, minutesOf);
  const own = new Set(passes.filter((pass) => pass.step.id === step.id && pass.coat === 1).map((pass) => pass.key));
  const last = new Set(passes.filter((pass) => pass.step.id === step.id && pass.coat === step.coats).map((pass) => pass.key));
  const after = grouped(
    rules.hard
      .filter((rule) => own.has(rule.after) && !own.has(rule.before))
      .map((rule) => ({ pass: byKey.get(rule.before)!, reason: rule.reason })),
  );
  const before = grouped(
    rules.hard
      .filter((rule) => last.has(rule.before) && !last.has(rule.after))
      .map((rule) => ({ pass: byKey.get(rule.after)!, reason: rule.reason })),
  );
  return [
    ...[...after].map(([reason, passesBefore]) => `After ${listed(passesBefore)}. ${reason}`),
    ...[...before].map(([reason, passesAfter]) => `Before ${listed(passesAfter)}. ${reason}`),
    ...rules.soft.filter((rule) => own.has(rule.then) || own.has(rule.first)).map((rule) => `Better so: ${rule.reason}`),
  ];
}

function grouped(entries: { pass: Pass; reason: string }[]): Map<string, Pass[]> {
  const groups = new Map<string, Pass[]>();
  for (const { pass, reason } of entries) groups.set(reason, [...(groups.get(reason) ?? []), pass]);
  return groups;
}

const MOST_NAMED = 3;

function listed(passes: Pass[]): string {
  const names = [...new Set(passes.map(nameOf))];
  return names.length <= MOST_NAMED ? names.join(', ') : `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more`;
}
