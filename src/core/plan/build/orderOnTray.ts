import { groupBy } from '../../kernel/groupBy';
import type { LineAfter, LinePrefer } from '../../line/definitions';
import type { JobInfo, OrderReason } from './lineJobs';
import { WORTH_AN_ORDER_MINUTES, type OrderRules } from '../../scheme/rules/orderRules';
import type { HardRule } from '../../scheme/rules/ruleBetween';

/** What is asked of the order of one tray's jobs, and why. */
interface TrayOrder {
  after: Map<string, LineAfter[]>;
  prefer: LinePrefer[];
  reasons: OrderReason[];
  /** Of each preference, the rule that weighs most in it. */
  preferRules: string[];
}

/** A rule between two jobs, by their places among the jobs of the tray. */
interface JobRule extends Pick<HardRule, 'scope' | 'lagMinutes' | 'reason'> {
  before: number;
  after: number;
}

/** The unit's rules between the jobs that are still open on one tray. */
export function orderOnTray(jobs: JobInfo[], rules: OrderRules): TrayOrder {
  const open = groupBy(jobs.keys(), (place) => jobs[place]!.passKey);
  const jobPairs = (first: string, then: string, scope: HardRule['scope']): [number, number][] =>
    (open.get(first) ?? []).flatMap((a) =>
      (open.get(then) ?? []).flatMap((b): [number, number][] =>
        scope === 'tray' || sharedOf(jobs[a]!.models, jobs[b]!.models).length > 0 ? [[a, b]] : [],
      ),
    );
  const hard = withoutImplied(
    rules.hard.flatMap(({ before, after, scope, lagMinutes, reason }) =>
      jobPairs(before, after, scope).map(([a, b]): JobRule => ({ before: a, after: b, scope, lagMinutes, reason })),
    ),
    jobs,
  );
  const after = new Map<string, LineAfter[]>();
  for (const rule of hard) {
    const entry: LineAfter = {
      job: jobs[rule.before]!.id,
      scope: rule.scope,
      ...(rule.lagMinutes !== null && { lagMinutes: rule.lagMinutes }),
    };
    const of = jobs[rule.after]!.id;
    after.set(of, [...(after.get(of) ?? []), entry]);
  }
  const soft = rules.soft.flatMap(({ kind, first, then, minutesPerModel, rule }) =>
    jobPairs(first, then, 'model')
      .map(([a, b]) => ({
        first: jobs[a]!.id,
        then: jobs[b]!.id,
        minutes: minutesPerModel * sharedOf(jobs[a]!.models, jobs[b]!.models).length,
      }))
      .filter(({ minutes }) => minutes >= WORTH_AN_ORDER_MINUTES)
      .map((pair) => ({ prefer: { ...pair, ...(kind === 'wish' && { wish: true }) }, rule })),
  );
  return {
    after,
    prefer: soft.map(({ prefer }) => prefer),
    reasons: hard.map((rule) => ({ before: jobs[rule.before]!.id, after: jobs[rule.after]!.id, reason: rule.reason })),
    preferRules: soft.map(({ rule }) => rule),
  };
}

/** Models in both lists; both ascend. */
function sharedOf(a: readonly number[], b: readonly number[]): number[] {
  const shared: number[] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    if (a[i] === b[j]) shared.push(a[i]!);
    if (a[i]! <= b[j]!) i++;
    else j++;
  }
  return shared;
}

/**
 * Leaves out a rule a -> c where rules a -> b and b -> c make c wait at least as long anyway.
 * Timing gets faster and the reasons shorter; no order changes.
 */
function withoutImplied(rules: JobRule[], jobs: JobInfo[]): JobRule[] {
  const words = Math.ceil(jobs.length / 32);
  const between = { outOf: new Int32Array(jobs.length * words), into: new Int32Array(jobs.length * words) };
  const byPair = new Map<number, JobRule>();
  for (const rule of rules) {
    const { before: a, after: c } = rule;
    byPair.set(a * jobs.length + c, rule);
    between.outOf[a * words + (c >> 5)]! |= 1 << (c & 31);
    between.into[c * words + (a >> 5)]! |= 1 << (a & 31);
  }
  return rules.filter((rule) => {
    if (rule.lagMinutes !== null) return true;
    const { before: a, after: c } = rule;
    for (let word = 0; word < words; word++) {
      for (let bits = between.outOf[a * words + word]! & between.into[c * words + word]!; bits !== 0; bits &= bits - 1) {
        const b = word * 32 + 31 - Math.clz32(bits & -bits);
        const into = byPair.get(a * jobs.length + b)!;
        const outOf = byPair.get(b * jobs.length + c)!;
        if (isImplied(rule, into, outOf, jobs[a]!.models, jobs[b]!.models, jobs[c]!.models)) return false;
      }
    }
    return true;
  });
}

/** Does waiting for b, which itself waits for a, keep every model of c waiting for a as the rule a -> c asks? */
function isImplied(rule: JobRule, into: JobRule, outOf: JobRule, a: number[], b: number[], c: number[]): boolean {
  const covers = (models: number[]) => sharedOf(models, b).length === models.length;
  if (into.scope === 'tray') return outOf.scope === 'tray' || covers(c);
  if (rule.scope === 'tray') return outOf.scope === 'tray' && covers(a);
  return covers(sharedOf(a, c));
}
