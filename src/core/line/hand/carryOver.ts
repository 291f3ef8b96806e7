import { compileLine } from '../problem/compileLine';
import type { CompiledLine } from '../problem/compiledLine';
import type { LineProblem, LineWish } from '../definitions';
import { enteredOrder, orderByRank } from '../problem/precedence';
import { arrangeByWishes } from '../problem/wishes';

/** An order the painter made or took, with the wishes that hold it. */
export interface OwnLine {
  /** Job ids. */
  order: string[];
  wishes: LineWish[];
}

/**
 * The painter's own line on a problem that has changed since: jobs that are done are left out, new ones take the place that
 * `placesOf` gives them, a pin behind a job that is gone goes behind the one before it. Wishes that can no longer be kept are let
 * go. An order that names all jobs and keeps the rules comes back as it is.
 */
export function carryOver(problem: LineProblem, own: OwnLine): OwnLine {
  const open = new Set(problem.jobs.map((job) => job.id));
  const known = new Set(own.order);
  const free = compileLine({ ...problem, wishes: [] });
  const wishes: LineWish[] = [];
  for (const wish of own.wishes) {
    const carried = carriedWish(wish, own, open, known, problem);
    if (carried && canKeep(free, [...wishes, carried])) wishes.push(carried);
  }
  const line = compileLine({ ...problem, wishes }, free);
  const place = placesOf(line, own.order);
  const ranked = orderByRank(line, (job) => place[job]! + job / (problem.jobs.length + 1));
  return { order: Array.from(arrangeByWishes(line, ranked)!, (job) => problem.jobs[job]!.id), wishes };
}

/**
 * Where each job stands in an order that may not name it: a new job comes behind the one it was entered after, and in front of
 * every job that waits for it, so that it never pushes back what was laid.
 */
function placesOf(line: CompiledLine, order: readonly string[]): Float64Array {
  const rank = new Map(order.map((id, place) => [id, place]));
  const isNew = (job: number) => !rank.has(line.problem.jobs[job]!.id);
  const places = new Float64Array(line.jobCount);
  let before = -1;
  for (let job = 0; job < line.jobCount; job++) {
    before = rank.get(line.problem.jobs[job]!.id) ?? before;
    places[job] = before;
  }
  for (const job of enteredOrder(line).reverse().filter(isNew))
    for (const behind of line.successors[job]!) places[job] = Math.min(places[job]!, places[behind]! - Number(!isNew(behind)));
  return places;
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

/** Can all these wishes be kept at once on a line, whatever its own are? Each job may be bound by one of them, and each place behind a job taken once. */
export function canKeep(line: CompiledLine, wishes: LineWish[]): boolean {
  const bound = wishes.flatMap((wish) => (wish.kind === 'pin' || wish.kind === 'together' ? wish.jobs : []));
  const behind = wishes.flatMap((wish) => (wish.kind === 'pin' ? [wish.after] : []));
  const first = wishes.flatMap((wish) => (wish.kind === 'first' ? wish.trays : []));
  const areDistinct = (items: (string | null)[]) => new Set(items).size === items.length;
  return (
    areDistinct(bound) &&
    areDistinct(behind) &&
    areDistinct(first) &&
    arrangeByWishes(compileLine({ ...line.problem, wishes }, line)) !== null
  );
}
