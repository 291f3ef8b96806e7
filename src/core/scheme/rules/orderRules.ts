import type { OwnRule, Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { momentOrder, type Moment } from '../model/moments';
import type { Pass } from '../passes/passes';
import type { Pot } from '../model/pots';
import { Precedence } from '../../kernel/Precedence';
import { KEEP_CLEAR, STRAYS } from './ruleCatalogue';
import { HARD_ROWS, type HardRow } from './hardRows';
import type { RuleContext, RuleRow } from './ruleTerms';
import { strengthOf, type SchoolQuestion, type Schools } from '../model/schools';
import { schoolsOf } from '../model/schoolsOf';
import { stagePasses, touchingParts, type StagedPass } from './stagedPasses';
import { FIND_AGAIN_MINUTES, keepClearReason, strayReason, strayShare } from './strays';
import { factsOf } from '../model/techniques';
import { WISH_ROWS, type WishRow } from './wishRows';

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

/** A pass that had better stand before another: breaking it costs minutes on every model that both take. */
export interface SoftRule extends RuleBetween {
  first: string;
  then: string;
  minutesPerModel: number;
  /** `touch-up` is work, painting again what was marred; a `wish` is a habit, and no work. */
  kind: 'touch-up' | 'wish';
}

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

/** Hands-on minutes of a pass on one ordinary model. */
export type PassMinutes = (pass: Pass) => number;

/** Before another kind of varnish goes over varnish it has to be cured. */
const CURE_MINUTES = 24 * 60;

export const OWN_RULE = 'own';

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
  const work = workOf(unit, passes, pots, house);
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
  const { hard, circles } = applyHard(workOf(unit, passes, pots, house));
  return { hard, circles };
}

/** What the rules are applied to. */
interface Work {
  unit: Unit;
  house: HouseRules;
  staged: StagedPass[];
  context: RuleContext;
  isInForce: (rule: Pick<RuleRow, 'id' | 'school'>) => boolean;
}

function workOf(unit: Unit, passes: readonly Pass[], pots: ReadonlyMap<string, Pot>, house: HouseRules): Work {
  const schools = schoolsOf(unit, house);
  const off = new Set(unit.scheme.off.map(({ rule }) => rule));
  return {
    unit,
    house,
    staged: stagePasses(passes, pots, schools),
    context: contextOf(unit, schools),
    isInForce: (rule) => !off.has(rule.id) && isOfSchool(rule, schools),
  };
}

const isOfSchool = ({ school = {} }: Pick<RuleRow, 'school'>, schools: Schools): boolean =>
  (Object.entries(school) as [SchoolQuestion, string][]).every(([question, choice]) => schools[question] === choice);

function contextOf({ scheme }: Pick<Unit, 'scheme'>, schools: Schools): RuleContext {
  const order = momentOrder(schools);
  return {
    schools,
    parts: scheme.parts,
    touch: touchingParts(scheme),
    largest: scheme.parts.reduce<RuleContext['largest']>((most, part) => (part.surface > (most?.surface ?? 0) ? part : most), null),
    rankOf: (moment) => order.indexOf(moment),
  };
}

function applyHard(work: Work): HardRules & { precedence: Precedence } {
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

function pairsOf({ first, then, when }: RuleRow, { staged, context }: Work): [StagedPass, StagedPass][] {
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

/** The habit that a row belongs to says how strong it is; what belongs to none holds mostly. */
const strengthOfRow = ({ school = {} }: RuleRow, { unit, house }: Work) => {
  const [question] = Object.keys(school) as SchoolQuestion[];
  return question === undefined ? 'mostly' : strengthOf(question, unit.scheme.strengths, house.strengths);
};

function wishes(work: Work, isFree: (a: string, b: string) => boolean): SoftRule[] {
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

/** What each pass mars of every other, in minutes to paint it again. */
function touchUps(work: Work, minutesOf: PassMinutes, isFree: (a: string, b: string) => boolean): SoftRule[] {
  const { unit, staged, context, isInForce } = work;
  const sums = new PairSums('touch-up', isFree);
  const strays = isInForce(STRAYS);
  const keepsClear = isInForce(KEEP_CLEAR);
  const minutes = new Map(staged.map((pass) => [pass, minutesOf(pass)]));
  for (const by of staged)
    for (const marred of staged) {
      const share = by === marred ? 0 : strayShare(by, marred, context);
      if (share === 0) continue;
      if (strays) {
        const again = share * (minutes.get(marred)! + FIND_AGAIN_MINUTES);
        sums.add(by.key, marred.key, again, STRAYS.id, () => strayReason(by, marred, share, again));
      }
      // Bare ground is not repaired with the same pot.
      if (keepsClear && marred.part!.keepClear && marred.isFirstPaint) {
        const clean = share * (1 + minutes.get(marred)!);
        sums.add(marred.key, by.key, clean, KEEP_CLEAR.id, () => keepClearReason(by, marred, clean));
      }
    }
  for (const { own, a, b } of ownPairs(unit.scheme.rules, staged))
    if (own.minutesPerModel !== null && !own.wish) sums.add(a.key, b.key, own.minutesPerModel, OWN_RULE, () => own.reason);
  return sums.differences();
}

/** Rules that pull against each other on one pair leave only their difference, with the reason that weighs most in its direction. */
class PairSums {
  private readonly pairs = new Map<string, { a: string; b: string; sum: number; most: [Reason | null, Reason | null] }>();

  constructor(
    private readonly kind: SoftRule['kind'],
    private readonly isFree: (a: string, b: string) => boolean,
  ) {}

  add(first: string, then: string, minutes: number, rule: string, reason: () => string): void {
    if (!this.isFree(first, then)) return;
    const isForward = first < then;
    const [a, b] = isForward ? [first, then] : [then, first];
    const key = `${a} ${b}`;
    const pair = this.pairs.get(key) ?? { a, b, sum: 0, most: [null, null] };
    pair.sum += isForward ? minutes : -minutes;
    const side = isForward ? 0 : 1;
    if (minutes > (pair.most[side]?.minutes ?? 0)) pair.most[side] = { minutes, rule, reason };
    this.pairs.set(key, pair);
  }

  differences(): SoftRule[] {
    return [...this.pairs.values()].flatMap(({ a, b, sum, most }): SoftRule[] => {
      const [first, then, why] = sum > 0 ? [a, b, most[0]] : [b, a, most[1]];
      if (!why || Math.abs(sum) < SMALLEST) return [];
      return [{ kind: this.kind, first, then, minutesPerModel: Math.abs(sum), rule: why.rule, reason: why.reason() }];
    });
  }
}

interface Reason {
  minutes: number;
  rule: string;
  reason: () => string;
}

/** What adding and taking away may leave of nothing, minutes. */
const SMALLEST = 1e-9;

/** Differences below this, minutes for a whole tray, are not worth an order. */
export const WORTH_AN_ORDER_MINUTES = 0.05;
