import { SURFACE_CM2, type OwnRule, type Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { momentOrder } from '../model/moments';
import type { Pass } from '../passes/passes';
import type { Pot } from '../model/pots';
import { Precedence } from '../../kernel/Precedence';
import { RULES, type CatalogueRule, type HardRow, type SoftRow } from './ruleCatalogue';
import type { RuleContext } from './ruleTerms';
import type { SchoolQuestion, Schools } from '../model/schools';
import { schoolsOf } from '../model/schoolsOf';
import { stagePasses, touchingParts, type StagedPass } from './stagedPasses';
import { factsOf } from '../model/techniques';

/** What every rule between two passes says of itself. */
interface RuleBetween {
  /** Id in the catalogue; `own` for the painter's own. */
  rule: string;
  reason: string;
}

/** A pass that must stand before another, and why. */
export interface HardRule extends RuleBetween {
  before: string;
  after: string;
  scope: 'model' | 'tray';
  /** Replaces the drying time of the earlier pass; null keeps it. */
  lagMinutes: number | null;
}

/** A pass that had better stand before another: breaking it costs touch-up on every model both take. */
export interface SoftRule extends RuleBetween {
  first: string;
  then: string;
  minutesPerModel: number;
}

export interface OrderRules {
  hard: HardRule[];
  soft: SoftRule[];
  /** Own rules that would close a circle, each with the chain of rules it contradicts; they do not hold. */
  circles: HardRule[][];
}

/** Before another kind of varnish goes over varnish it has to be cured. */
const CURE_MINUTES = 24 * 60;

export const OWN_RULE = 'own';

/**
 * Applies the order rules to the passes of one unit, in the order of the scheme (`passesOf`). Hard rules hold always and never form
 * a circle; soft ones cost touch-up when broken, and are left out where physics decides anyway.
 */
export function orderRules(unit: Unit, passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, house: HouseRules): OrderRules {
  const schools = schoolsOf(unit, house);
  const staged = stagePasses(passes, pots, schools);
  const context = contextOf(unit, schools);
  const off = new Set(unit.scheme.off.map(({ rule }) => rule));
  const inForce = RULES.filter((rule) => !off.has(rule.id) && isOfSchool(rule, schools));
  const hard = new Map<string, HardRule>();
  for (const rule of inForce) {
    if (rule.kind !== 'hard') continue;
    for (const [a, b] of pairsOf(rule, staged, context)) {
      const pair = `${a.key} ${b.key}`;
      if (!hard.has(pair)) hard.set(pair, hardRule(a, b, rule));
    }
  }
  const precedence = new Precedence(passes.map((pass) => pass.key));
  for (const rule of hard.values()) precedence.add(rule.before, rule.after);
  const circles: HardRule[][] = [];
  for (const rule of ownHardRules(unit.scheme.rules, passes)) {
    const chain = precedence.path(rule.after, rule.before);
    if (chain !== null) circles.push([rule, ...linksOf(chain, hard)]);
    else {
      precedence.add(rule.before, rule.after);
      hard.set(`${rule.before} ${rule.after}`, rule);
    }
  }
  const soft = softRules(unit, staged, inForce, context).filter(
    ({ first, then }) => !precedence.implies(first, then) && !precedence.implies(then, first),
  );
  return { hard: [...hard.values()], soft, circles };
}

const isOfSchool = ({ school = {} }: CatalogueRule, schools: Schools): boolean =>
  (Object.entries(school) as [SchoolQuestion, string][]).every(([question, choice]) => schools[question] === choice);

function contextOf({ scheme }: Pick<Unit, 'scheme'>, schools: Schools): RuleContext {
  const order = momentOrder(schools);
  return {
    schools,
    touch: touchingParts(scheme),
    largest: scheme.parts.reduce<RuleContext['largest']>((most, part) => (part.surface > (most?.surface ?? 0) ? part : most), null),
    rankOf: (moment) => order.indexOf(moment),
  };
}

function pairsOf({ first, then, when }: CatalogueRule, staged: readonly StagedPass[], context: RuleContext): [StagedPass, StagedPass][] {
  const firsts = staged.filter((pass) => first(pass, context));
  const thens = firsts.length === 0 ? [] : staged.filter((pass) => then(pass, context));
  return firsts.flatMap((a) =>
    thens.flatMap((b): [StagedPass, StagedPass][] => (a !== b && (when === undefined || when(a, b, context)) ? [[a, b]] : [])),
  );
}

function hardRule(a: Pass, b: Pass, rule: HardRow): HardRule {
  return {
    before: a.key,
    after: b.key,
    scope: scopeOf(a, b),
    lagMinutes: lagOf(a, rule),
    rule: rule.id,
    reason: rule.reason?.(a as StagedPass, b as StagedPass) ?? rule.says,
  };
}

function lagOf(a: Pass, { lag }: HardRow): number | null {
  if (lag === 'cured') return CURE_MINUTES;
  return lag === 'handle' ? factsOf(a.step.technique).handleMinutes : null;
}

/** What is sprayed is sprayed over the whole tray. */
const scopeOf = (...pair: Pass[]): HardRule['scope'] =>
  pair.some((pass) => factsOf(pass.step.technique).hand === 'spray') ? 'tray' : 'model';

const linksOf = (chain: readonly string[], hard: ReadonlyMap<string, HardRule>): HardRule[] =>
  chain.slice(1).map((key, index) => hard.get(`${chain[index]!} ${key}`)!);

/** Own rules between the last coat of the one step and the first of the other, with every half of theirs. */
function ownPairs(rules: readonly OwnRule[], passes: readonly Pass[]): { own: OwnRule; a: Pass; b: Pass }[] {
  return rules.flatMap((own) => {
    const firsts = passes.filter(({ step, coat }) => step.id === own.first && coat === step.coats);
    const thens = passes.filter(({ step, coat }) => step.id === own.then && coat === 1);
    return firsts.flatMap((a) => thens.map((b) => ({ own, a, b })));
  });
}

const ownHardRules = (rules: readonly OwnRule[], passes: readonly Pass[]): HardRule[] =>
  ownPairs(rules, passes)
    .filter(({ own }) => own.minutesPerModel === null)
    .map(({ own, a, b }) => ({
      before: a.key,
      after: b.key,
      scope: scopeOf(a, b),
      lagMinutes: null,
      rule: OWN_RULE,
      reason: own.reason,
    }));

/** Several on one pair do not add up: the dearest counts. */
function softRules(unit: Unit, staged: readonly StagedPass[], inForce: readonly CatalogueRule[], context: RuleContext): SoftRule[] {
  const scale = Math.sqrt(SURFACE_CM2[unit.size] / SURFACE_CM2.foot);
  const dearest = new Map<string, SoftRule>();
  const take = (rule: SoftRule) => {
    const pair = `${rule.first} ${rule.then}`;
    if (rule.minutesPerModel > (dearest.get(pair)?.minutesPerModel ?? 0)) dearest.set(pair, rule);
  };
  const minutesOf = ({ minutes }: SoftRow) => (typeof minutes === 'number' ? minutes : minutes(context.schools)) * scale;
  for (const rule of inForce) {
    if (rule.kind !== 'soft') continue;
    for (const [a, b] of pairsOf(rule, staged, context))
      take({ first: a.key, then: b.key, minutesPerModel: minutesOf(rule), rule: rule.id, reason: rule.reason?.(a, b) ?? rule.says });
  }
  for (const { own, a, b } of ownPairs(unit.scheme.rules, staged))
    if (own.minutesPerModel !== null)
      take({ first: a.key, then: b.key, minutesPerModel: own.minutesPerModel, rule: OWN_RULE, reason: own.reason });
  return [...dearest.values()];
}
