import type { Paint, Standard, Unit } from '../../scheme/model/definitions';
import { stepOfKey } from '../../scheme/model/halves';
import type { HouseRules } from '../../scheme/model/houseRules';
import { orderRules, WORTH_AN_ORDER_MINUTES, type HardRules } from '../../scheme/rules/orderRules';
import type { HardRule, SoftRule } from '../../scheme/rules/ruleBetween';
import { passesOf } from '../../scheme/passes/passes';
import { normOfPass } from '../../time/fit/norms';
import { potsOf } from '../../scheme/model/pots';
import { schemeWarnings, type SchemeWarnings } from '../../scheme/advice/spoiled';
import { InputError } from '../../kernel/InputError';

interface PassName {
  step: string;
  coat: number;
}

interface ReportedRule {
  first: PassName;
  then: PassName;
  kind: 'hard' | SoftRule['kind'];
  rule: string;
  minutesPerModel: number | null;
  reason: string;
}

/** All rules in force for one unit, and what it spoils or must keep clear of. */
export interface UnitReport {
  name: string;
  rules: ReportedRule[];
  keepClear: SchemeWarnings['keepClear'];
  spoiled: { step: string; by: string }[];
}

/** The unit's rules as `npm run rules` prints them. Throws an `InputError` with the whole chain where own rules form a circle. */
export function reportUnit(
  unit: Unit,
  standard: Standard,
  paints: ReadonlyMap<string, Paint>,
  house: HouseRules,
  field: string,
): UnitReport {
  const pots = new Map([...paints, ...[...potsOf(unit.scheme, paints).values()].map((pot) => [pot.id, pot] as const)]);
  const passes = passesOf(unit, standard, house);
  const rules = orderRules(unit, passes, pots, house, normOfPass(unit.size));
  refuseCircles(rules, field);
  const byKey = new Map(passes.map((pass) => [pass.key, pass]));
  const nameOf = (key: string): PassName => ({ step: byKey.get(key)!.step.id, coat: byKey.get(key)!.coat });
  const shared = ({ first, then }: SoftRule) => {
    const { models } = byKey.get(then)!;
    return byKey.get(first)!.models.filter((model) => models.includes(model)).length;
  };
  const { keepClear, spoiled } = schemeWarnings(unit, passes, pots, house);
  return {
    name: unit.name,
    rules: [
      ...rules.hard.map(({ before, after, rule, reason }): ReportedRule => ({
        first: nameOf(before),
        then: nameOf(after),
        kind: 'hard',
        rule,
        minutesPerModel: null,
        reason,
      })),
      ...rules.soft
        .filter((rule) => rule.minutesPerModel * shared(rule) >= WORTH_AN_ORDER_MINUTES)
        .map(({ kind, first, then, rule, minutesPerModel, reason }): ReportedRule => ({
          first: nameOf(first),
          then: nameOf(then),
          kind,
          rule,
          minutesPerModel,
          reason,
        })),
    ],
    keepClear,
    spoiled: spoiled.map(({ step, by }) => ({ step, by })),
  };
}

/** Throws an `InputError` with the first circle that own rules close, link by link. */
export function refuseCircles({ circles }: Pick<HardRules, 'circles'>, field: string): void {
  const [circle] = circles;
  if (!circle) return;
  const [own] = circle;
  throw new InputError(
    field,
    `${stepOfKey(own!.before)} before ${stepOfKey(own!.after)}`,
    `take out one of these rules, or change the order of the steps: ${circleWords(circle)}`,
  );
}

/** A circle link by link: fold before coat (own: by mistake), coat before fold (layer-over-layer: …). */
export const circleWords = (circle: readonly HardRule[], nameOf: (passKey: string) => string = stepOfKey): string =>
  circle.map(({ before, after, rule, reason }) => `${nameOf(before)} before ${nameOf(after)} (${rule}: ${reason})`).join(', ');
