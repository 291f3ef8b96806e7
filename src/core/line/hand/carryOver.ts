import { compileLine } from '../problem/compileLine';
import type { LineProblem, LineWish } from '../definitions';
import { orderByRank } from '../problem/precedence';
import { arrangeByWishes } from '../problem/wishes';

/** An order the painter made or took, with the wishes that hold it. */
export interface OwnLine {
  /** Job ids. */
  order: string[];
  wishes: LineWish[];
}

/**
 * The painter's own line on a problem that has changed since: jobs that are done are left out, new ones stand where they
 * were entered, a pin behind a job that is gone goes behind the one before it. Wishes that can no longer be kept are let go.
 */
export function carryOver(problem: LineProblem, own: OwnLine): OwnLine {
  const open = new Set(problem.jobs.map((job) => job.id));
  const known = new Set(own.order);
  const rank = new Map(own.order.map((id, place) => [id, place]));
  let before = -1;
  for (const { id } of problem.jobs) {
    before = rank.get(id) ?? before;
    if (!rank.has(id)) rank.set(id, before);
  }
  const wishes: LineWish[] = [];
  for (const wish of own.wishes) {
    const carried = carriedWish(wish, own, open, known, problem);
    if (carried && canKeep(problem, [...wishes, carried])) wishes.push(carried);
  }
  const line = compileLine({ ...problem, wishes });
  const ranked = orderByRank(line, (job) => rank.get(problem.jobs[job]!.id)! + job / (problem.jobs.length + 1));
  return { order: Array.from(arrangeByWishes(line, ranked)!, (job) => problem.jobs[job]!.id), wishes };
}

function carriedWish(wish: LineWish, own: OwnLine, open: Set<string>, known: Set<string>, problem: LineProblem): LineWish | null {
  if (wish.kind === 'first') {
    const trays = wish.trays.filter((tray) => problem.trays.some(({ id }) => id === tray));
    return trays.length === 0 ? null : { ...wish, trays };
  }
  if (wish.kind === 'variety') {
    const trays = new Set(problem.trays.map(({ id }) => id));
    const groups = wish.groups.map((group) => group.filter((tray) => trays.has(tray))).filter((group) => group.length > 0);
    return groups.length === 0 ? null : { ...wish, groups };
  }
  const jobs = wish.jobs.filter((id) => open.has(id));
  if (jobs.length === 0) return null;
  if (wish.kind !== 'pin' || wish.after === null || open.has(wish.after)) return { ...wish, jobs };
  if (!known.has(wish.after)) return null;
  const behind = own.order.slice(0, own.order.indexOf(wish.after)).findLast((id) => open.has(id) && !jobs.includes(id));
  return { ...wish, jobs, after: behind ?? null };
}

/** Can all these wishes be kept at once? Each job may be bound by one of them, and each place behind a job taken once. */
export function canKeep(problem: LineProblem, wishes: LineWish[]): boolean {
  const bound = wishes.flatMap((wish) => (wish.kind === 'pin' || wish.kind === 'together' ? wish.jobs : []));
  const behind = wishes.flatMap((wish) => (wish.kind === 'pin' ? [wish.after] : []));
  const first = wishes.flatMap((wish) => (wish.kind === 'first' ? wish.trays : []));
  const areDistinct = (items: (string | null)[]) => new Set(items).size === items.length;
  return areDistinct(bound) && areDistinct(behind) && areDistinct(first) && arrangeByWishes(compileLine({ ...problem, wishes })) !== null;
}
