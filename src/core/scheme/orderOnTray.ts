import type { LineAfter, LinePrefer } from '../line/definitions';
import { jobId, type JobInfo, type OrderReason } from './lineJobs';
import type { HardRule, OrderRules } from './orderRules';
import type { UnitTray } from './splitTrays';

/** What is asked of the order of one tray's jobs, and why. */
interface TrayOrder {
  after: Map<string, LineAfter[]>;
  prefer: LinePrefer[];
  reasons: OrderReason[];
  softReasons: OrderReason[];
}

/** The unit's rules between the jobs that are still open on one tray. */
export function orderOnTray(jobs: JobInfo[], tray: UnitTray, rules: OrderRules): TrayOrder {
  const open = new Map(jobs.map((job) => [job.passKey, job]));
  const hard = withoutImplied(
    rules.hard.filter((rule) => open.has(rule.before) && open.has(rule.after)),
    jobs,
  );
  const soft = rules.soft.filter((rule) => open.has(rule.first) && open.has(rule.then));
  const after = new Map<string, LineAfter[]>();
  for (const rule of hard) {
    const entry: LineAfter = {
      job: jobId(rule.before, tray),
      scope: rule.scope,
      ...(rule.lagMinutes !== null && { lagMinutes: rule.lagMinutes }),
    };
    const of = jobId(rule.after, tray);
    after.set(of, [...(after.get(of) ?? []), entry]);
  }
  const prefer: LinePrefer[] = soft.map((rule) => ({
    first: jobId(rule.first, tray),
    then: jobId(rule.then, tray),
    minutes: rule.minutesPerModel * sharedModels(open.get(rule.first)!, open.get(rule.then)!),
  }));
  const named = (before: string, behind: string, reason: string): OrderReason => ({
    before: jobId(before, tray),
    after: jobId(behind, tray),
    reason,
  });
  return {
    after,
    prefer: prefer.filter((entry) => entry.minutes > 0),
    reasons: hard.map((rule) => named(rule.before, rule.after, rule.reason)),
    softReasons: soft.map((rule) => named(rule.first, rule.then, rule.reason)),
  };
}

const sharedModels = (a: JobInfo, b: JobInfo) => sharedOf(a.models, b.models).length;

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
function withoutImplied(rules: HardRule[], jobs: JobInfo[]): HardRule[] {
  const index = new Map(jobs.map((job, place) => [job.passKey, place]));
  const words = Math.ceil(jobs.length / 32);
  const between = { outOf: new Int32Array(jobs.length * words), into: new Int32Array(jobs.length * words) };
  const byPair = new Map<number, HardRule>();
  for (const rule of rules) {
    const [a, c] = [index.get(rule.before)!, index.get(rule.after)!];
    byPair.set(a * jobs.length + c, rule);
    between.outOf[a * words + (c >> 5)]! |= 1 << (c & 31);
    between.into[c * words + (a >> 5)]! |= 1 << (a & 31);
  }
  return rules.filter((rule) => {
    if (rule.lagMinutes !== null) return true;
    const [a, c] = [index.get(rule.before)!, index.get(rule.after)!];
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
function isImplied(rule: HardRule, into: HardRule, outOf: HardRule, a: number[], b: number[], c: number[]): boolean {
  const covers = (models: number[]) => sharedOf(models, b).length === models.length;
  if (into.scope === 'tray') return outOf.scope === 'tray' || covers(c);
  if (rule.scope === 'tray') return outOf.scope === 'tray' && covers(a);
  return covers(sharedOf(a, c));
}
