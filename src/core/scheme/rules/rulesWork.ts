import type { Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { momentOrder } from '../model/moments';
import type { Pot } from '../model/pots';
import type { SchoolQuestion, Schools } from '../model/schools';
import { schoolsOf } from '../model/schoolsOf';
import type { Pass } from '../passes/passes';
import type { RuleContext, RuleRow } from './ruleTerms';
import { stagePasses, touchingParts, type StagedPass } from './stagedPasses';

/** What the rules are applied to. */
export interface RulesWork {
  unit: Unit;
  house: HouseRules;
  staged: StagedPass[];
  context: RuleContext;
  isInForce: (rule: Pick<RuleRow, 'id' | 'school'>) => boolean;
}

export function rulesWork(unit: Unit, passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, house: HouseRules): RulesWork {
  const schools = schoolsOf(unit, house);
  const off = new Set(unit.scheme.off.map(({ rule }) => rule));
  return {
    unit,
    house,
    staged: stagePasses(passes, pots, schools),
    context: contextOf(unit, schools, house),
    isInForce: (rule) => !off.has(rule.id) && isOfSchool(rule, schools),
  };
}

const isOfSchool = ({ school = {} }: Pick<RuleRow, 'school'>, schools: Schools): boolean =>
  (Object.entries(school) as [SchoolQuestion, string][]).every(([question, choice]) => schools[question] === choice);

function contextOf({ scheme }: Pick<Unit, 'scheme'>, schools: Schools, { strays = {} }: HouseRules): RuleContext {
  const order = momentOrder(schools);
  return {
    schools,
    parts: scheme.parts,
    touch: touchingParts(scheme),
    largest: scheme.parts.reduce<RuleContext['largest']>((most, part) => (part.surface > (most?.surface ?? 0) ? part : most), null),
    strays,
    rankOf: (moment) => order.indexOf(moment),
  };
}
