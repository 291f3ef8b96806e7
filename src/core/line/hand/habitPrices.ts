import { compileLine } from '../problem/compileLine';
import { orderByRank } from '../problem/precedence';
import type { LineJob, LinePrefer, LineProblem, OrderChange } from '../definitions';
import { bestFound, type PriceOptions } from './bestFound';
import { positionsOf, timeOrder } from '../timing/timeOrder';

/** A habit that an order breaks, by the rule its wishes come from. */
export interface BrokenHabit {
  rule: string;
  /** Pairs of jobs that stand the other way round. */
  pairs: number;
  /** What that counts against the order, minutes. */
  minutes: number;
}

/** What it would cost to keep a habit in every pair. */
export interface HabitPrice {
  rule: string;
  /** What keeping it changes; null where what must come first does not let it be kept everywhere. */
  change: OrderChange | null;
}

/** The habits that an order breaks, those that count most first. `rules` names the rule of each preference of the problem. */
export function brokenHabits(problem: LineProblem, rules: readonly string[], order: ArrayLike<number>): BrokenHabit[] {
  const position = positionsOf(order);
  const place = new Map(problem.jobs.map(({ id }, job) => [id, position[job]!]));
  const broken = new Map<string, BrokenHabit>();
  (problem.prefer ?? []).forEach(({ first, then, minutes, wish }, entry) => {
    if (!wish || place.get(first)! < place.get(then)!) return;
    const rule = rules[entry]!;
    const known = broken.get(rule) ?? { rule, pairs: 0, minutes: 0 };
    broken.set(rule, { rule, pairs: known.pairs + 1, minutes: known.minutes + minutes });
  });
  return [...broken.values()].sort((a, b) => b.minutes - a.minutes);
}

/** What keeping each of these habits always would cost, by a search from the order at hand. The sessions must hold the order. */
export function habitPrices(
  problem: LineProblem,
  rules: readonly string[],
  habits: readonly string[],
  order: ArrayLike<number>,
  options: PriceOptions,
): HabitPrice[] {
  const now = bestFound(compileLine(problem), order, options);
  const position = positionsOf(order);
  return habits.map((rule) => {
    const kept = { ...problem, jobs: jobsKeeping(problem, rules, rule) };
    const line = compileLine(kept);
    const start = orderByRank(line, (job) => position[job]!);
    // What comes round in a circle has no order.
    if (start.length < problem.jobs.length || !timeOrder(line, start).fits) return { rule, change: null };
    const totals = bestFound(line, start, options);
    return { rule, change: { bench: totals.bench - now.bench, finish: totals.finish - now.finish, late: totals.late - now.late } };
  });
}

/** The jobs, each of which waits for those that a habit has before it. */
function jobsKeeping({ jobs, prefer = [] }: LineProblem, rules: readonly string[], rule: string): LineJob[] {
  const before = new Map<string, LinePrefer[]>();
  prefer.forEach((entry, index) => {
    if (entry.wish && rules[index] === rule) before.set(entry.then, [...(before.get(entry.then) ?? []), entry]);
  });
  return jobs.map((job) => ({
    ...job,
    after: [...job.after, ...(before.get(job.id) ?? []).map(({ first }) => ({ job: first, scope: 'tray' as const, lagMinutes: 0 }))],
  }));
}
