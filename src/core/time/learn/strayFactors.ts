import type { StrayFactors } from '../../scheme/model/houseRules';
import { FIND_AGAIN_MINUTES, type StrayPair } from '../../scheme/rules/strays';
import type { Technique } from '../../scheme/model/techniques';

/** What was painted on the models of one unit, and painted again, with what each of it takes. */
export interface PaintedUnit {
  /** What mars what, by the shares that are assumed. */
  pairs: readonly StrayPair[];
  /** Pass key, then model: when it was painted, UTC ms. */
  painted: ReadonlyMap<string, ReadonlyMap<number, number>>;
  repairs: readonly { passKey: string; model: number; at: number }[];
  /** Everything on it is painted: what was not touched up did not need it. */
  isDone: boolean;
  /** Minutes that painting a pass on a model takes, and those that touching it up takes. */
  minutesOf: (passKey: string) => number;
  repairMinutesOf: (passKey: string) => number;
}

/** Touch-up that one technique should have cost by what is assumed, and what was logged; minutes, with the number of touch-ups. */
export interface StrayTally {
  expected: number;
  logged: number;
  repairs: number;
}

export type StrayTallies = ReadonlyMap<Technique, StrayTally>;

/** How far a technique strays, against what is assumed. */
export interface StrayEstimate {
  factor: number;
  /** Touch-ups that may have come from it. */
  repairs: number;
}

export type StrayEstimates = { [T in Technique]?: StrayEstimate };

/**
 * What the touch-ups of these units say of each technique. Each is shared out among the passes that were painted over its place since
 * and stray onto it, by how much of it they were assumed to mar. Only work counts of which it is known whether it was touched up:
 * painted after the first touch-up was logged at all, on units that are done, or before the last touch-up of their unit.
 */
export function tallyStrays(units: readonly PaintedUnit[]): StrayTallies {
  const tallies = new Map<Technique, StrayTally>();
  const since = Math.min(...units.flatMap(({ repairs }) => repairs.map(({ at }) => at)));
  for (const unit of units) tallyUnit(unit, since, tallies);
  return tallies;
}

function tallyUnit(unit: PaintedUnit, since: number, tallies: Map<Technique, StrayTally>): void {
  const { pairs, painted, repairs, minutesOf, repairMinutesOf, isDone } = unit;
  const until = isDone ? Infinity : Math.max(...repairs.map(({ at }) => at));
  const tallyOf = (technique: Technique): StrayTally => {
    const known = tallies.get(technique) ?? { expected: 0, logged: 0, repairs: 0 };
    tallies.set(technique, known);
    return known;
  };
  /** When one pass was painted over a place, if that tells anything. */
  const overAt = (by: string, model: number, from: number): number | null => {
    const at = painted.get(by)?.get(model) ?? -Infinity;
    return at > from && at >= since && at < until ? at : null;
  };
  const overPass = new Map<string, StrayPair[]>();
  for (const pair of pairs) {
    const { by, marred, share } = pair;
    overPass.set(marred.key, [...(overPass.get(marred.key) ?? []), pair]);
    let models = 0;
    for (const [model, from] of painted.get(marred.key) ?? []) if (overAt(by.key, model, from) !== null) models++;
    if (models > 0) tallyOf(by.step.technique).expected += models * share * (minutesOf(marred.key) + FIND_AGAIN_MINUTES);
  }
  for (const { passKey, model, at } of repairs) {
    const from = painted.get(passKey)?.get(model) ?? Infinity;
    const over = (overPass.get(passKey) ?? []).filter(({ by }) => (overAt(by.key, model, from) ?? Infinity) < at);
    const shares = over.reduce((sum, { share }) => sum + share, 0);
    for (const technique of new Set(over.map(({ by }) => by.step.technique))) tallyOf(technique).repairs++;
    for (const { by, share } of over) tallyOf(by.step.technique).logged += (repairMinutesOf(passKey) * share) / shares;
  }
}

/** How far what is assumed may be from the truth, in its logarithm. */
const ASSUMED_SPREAD = 0.5;
const ROUNDS = 50;
const SETTLED = 1e-9;
/** Two digits are finer than anybody's touch-ups can tell. */
const DIGITS = 100;

/**
 * How far each technique really strays: the most likely factor under a log-normal prior about 1 and touch-ups that come by chance
 * (Poisson, counted in touch-ups of usual length; its mode by Newton's method, as for any log-concave posterior: Gelman et al.,
 * Bayesian Data Analysis, 3rd ed., section 13.1).
 *
 * @example strayFactors(new Map([['drybrush', { expected: 10, logged: 20, repairs: 20 }]])) // { drybrush: { factor: 1.77, repairs: 20 } }
 */
export function strayFactors(tallies: StrayTallies): StrayEstimates {
  const all = [...tallies.values()];
  const repairs = all.reduce((sum, tally) => sum + tally.repairs, 0);
  const usual = all.reduce((sum, tally) => sum + tally.logged, 0) / Math.max(1, repairs);
  if (usual === 0) return {};
  const estimates: StrayEstimates = {};
  for (const [technique, tally] of tallies) {
    const factor = Math.exp(likeliestLog(tally.logged / usual, tally.expected / usual));
    estimates[technique] = { factor: Math.round(factor * DIGITS) / DIGITS, repairs: tally.repairs };
  }
  return estimates;
}

function likeliestLog(counted: number, expected: number): number {
  let log = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const rate = expected * Math.exp(log);
    const slope = counted - rate - log / ASSUMED_SPREAD ** 2;
    const step = slope / (rate + 1 / ASSUMED_SPREAD ** 2);
    log += Math.max(-1, Math.min(1, step));
    if (Math.abs(step) < SETTLED) break;
  }
  return log;
}

/** The factors alone, as the order rules take them. */
export const factorsOf = (estimates: StrayEstimates): StrayFactors =>
  Object.fromEntries(Object.entries(estimates).map(([technique, { factor }]) => [technique, factor]));
