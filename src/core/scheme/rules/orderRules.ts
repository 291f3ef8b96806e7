import type { OwnRule, Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import type { Moment } from '../model/moments';
import type { Pass } from '../passes/passes';
import type { Pot } from '../model/pots';
import { Precedence } from '../../kernel/Precedence';
import { HARD_ROWS, type HardRow } from './hardRows';
import { PairSums } from './pairSums';
import { ownPairs, OWN_RULE, type HardRule, type PassMinutes, type SoftRule } from './ruleBetween';
import { rulesWork, type RulesWork } from './rulesWork';
import type { RuleRow } from './ruleTerms';
import { strengthOf, type SchoolQuestion } from '../model/schools';
import type { StagedPass } from './stagedPasses';
import { factsOf } from '../model/techniques';
import { touchUps } from './touchUps';
import { WISH_ROWS, type WishRow } from './wishRows';

export interface HardRules {
  hard: HardRule[];
  /** Own rules, and habits that always hold, that would close a circle, each with the chain of rules it contradicts; they do not hold. */
  circles: HardRule[][];
}

export interface OrderRules extends HardRules {
  soft: SoftRule[];
  /** When each pass stands, by its key. */
  moments: ReadonlyMap<string, Moment>;
}

/** Before another kind of varnish goes over varnish it has to be cured. */
const CURE_MINUTES = 24 * 60;

/**
 * Applies the order rules to the passes of one unit, in the order of the scheme (`passesOf`). Hard rules hold always and never form
 * a circle; soft ones cost touch-up, or count against an order as broken wishes, and are left out where physics decides anyway.
 */
export function orderRules(
  unit: Unit,
  passes: readonly Pass[],
  pots: ReadonlyMap<string, Pot>,
  house: HouseRules,
  minutesOf: PassMinutes,
): OrderRules {
  const work = rulesWork(unit, passes, pots, house);
  const { hard, circles, precedence } = applyHard(work);
  const isFree = (a: string, b: string) => !precedence.implies(a, b) && !precedence.implies(b, a);
  return {
    hard,
    circles,
    soft: [...touchUps(work, minutesOf, isFree), ...wishes(work, isFree)],
    moments: new Map(work.staged.map(({ key, moment }) => [key, moment])),
  };
}

/** The hard ones alone. */
export function hardRules(unit: Unit, passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, house: HouseRules): HardRules {
  const { hard, circles } = applyHard(rulesWork(unit, passes, pots, house));
  return { hard, circles };
}

function applyHard(work: RulesWork): HardRules & { precedence: Precedence } {
  const { unit, staged, isInForce } = work;
  const hard = new Map<string, HardRule>();
  const precedence = new Precedence(staged.map((pass) => pass.key));
  const take = (rule: HardRule) => {
    hard.set(`${rule.before} ${rule.after}`, rule);
    precedence.add(rule.before, rule.after);
  };
  for (const row of HARD_ROWS) {
    if (!isInForce(row)) continue;
    const found = pairsOf(row, work)
      .filter(([a, b]) => !hard.has(`${a.key} ${b.key}`))
      .map(([a, b]) => hardRule(a, b, row));
    for (const rule of found) if (!row.yields || !precedence.implies(rule.after, rule.before)) take(rule);
  }
  const circles: HardRule[][] = [];
  const always = WISH_ROWS.filter((row) => isInForce(row) && strengthOfRow(row, work) === 'always').flatMap((row) =>
    pairsOf(row, work).map(([a, b]) => hardRule(a, b, row)),
  );
  for (const rule of [...ownHardRules(unit.scheme.rules, staged), ...always]) {
    const chain = precedence.path(rule.after, rule.before);
    if (chain !== null) circles.push([rule, ...linksOf(chain, hard)]);
    else if (!hard.has(`${rule.before} ${rule.after}`)) take(rule);
  }
  return { hard: [...hard.values()], circles, precedence };
}

function pairsOf({ first, then, when }: RuleRow, { staged, context }: RulesWork): [StagedPass, StagedPass][] {
  const firsts = staged.filter((pass) => first(pass, context));
  const thens = firsts.length === 0 ? [] : staged.filter((pass) => then(pass, context));
  return firsts.flatMap((a) =>
    thens.flatMap((b): [StagedPass, StagedPass][] => (a !== b && (when === undefined || when(a, b, context)) ? [[a, b]] : [])),
  );
}

function hardRule(a: StagedPass, b: StagedPass, rule: HardRow | WishRow): HardRule {
  return {
    before: a.key,
    after: b.key,
    scope: scopeOf(a, b),
    lagMinutes: rule.kind === 'hard' ? lagOf(a, rule) : null,
    rule: rule.id,
    reason: reasonOf(rule, a, b),
  };
}

const reasonOf = (rule: RuleRow, a: StagedPass, b: StagedPass): string => rule.reason?.(a, b) ?? rule.says;

function lagOf(a: Pass, { lag }: HardRow): number | null {
  if (lag === 'cured') return CURE_MINUTES;
  return lag === 'handle' ? factsOf(a.step.technique).handleMinutes : null;
}

/** What is sprayed is sprayed over the whole tray. */
const scopeOf = (...pair: Pass[]): HardRule['scope'] =>
  pair.some((pass) => factsOf(pass.step.technique).hand === 'spray') ? 'tray' : 'model';

const linksOf = (chain: readonly string[], hard: ReadonlyMap<string, HardRule>): HardRule[] =>
  chain.slice(1).map((key, index) => hard.get(`${chain[index]!} ${key}`)!);

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

/** The habit that a row belongs to says how strong it is; what belongs to none holds mostly. */
const strengthOfRow = ({ school = {} }: RuleRow, { unit, house }: RulesWork) => {
  const [question] = Object.keys(school) as SchoolQuestion[];
  return question === undefined ? 'mostly' : strengthOf(question, unit.scheme.strengths, house.strengths);
};

function wishes(work: RulesWork, isFree: (a: string, b: string) => boolean): SoftRule[] {
  const { unit, staged, house, isInForce } = work;
  const sums = new PairSums('wish', isFree);
  for (const row of WISH_ROWS) {
    if (!isInForce(row) || strengthOfRow(row, work) !== 'mostly') continue;
    const minutes = house.wishMinutes[row.id] ?? row.minutes;
    if (minutes > 0) for (const [a, b] of pairsOf(row, work)) sums.add(a.key, b.key, minutes, row.id, () => reasonOf(row, a, b));
  }
  for (const { own, a, b } of ownPairs(unit.scheme.rules, staged))
    if (own.minutesPerModel !== null && own.wish) sums.add(a.key, b.key, own.minutesPerModel, OWN_RULE, () => own.reason);
  return sums.differences();
}

/** Differences below this, minutes for a whole tray, are not worth an order. */
export const WORTH_AN_ORDER_MINUTES = 0.05;
