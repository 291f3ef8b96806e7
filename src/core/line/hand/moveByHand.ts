import { canKeep, type OwnLine } from './carryOver';
import { compileLine } from '../problem/compileLine';
import type { LineProblem, LineWish } from '../definitions';
import { moveRun } from '../search/moveRun';
import { wishesKept } from '../problem/wishes';

/** What a move by hand has brought. */
export interface HandMove {
  own: OwnLine;
  /** Pins of before that the new order does not keep, so that they were let go. */
  letGo: LineWish[];
}

/**
 * The painter puts a run of jobs elsewhere: the order is taken as it is, and the run is pinned where it was put, behind
 * the job before it. What the hand does counts more than earlier pins.
 */
export function moveByHand(problem: LineProblem, { order, wishes }: OwnLine, from: number, end: number, to: number): HandMove {
  const jobs = order.slice(from, end);
  const index = new Map(problem.jobs.map((job, at) => [job.id, at]));
  const moved = Int32Array.from(order, (id) => index.get(id)!);
  moveRun(moved, from, end, to);
  const ids = Array.from(moved, (job) => problem.jobs[job]!.id);
  const place = ids.indexOf(jobs[0]!);
  const pin: LineWish = { kind: 'pin', jobs, after: place === 0 ? null : ids[place - 1]! };
  const line = compileLine({ ...problem, wishes });
  const kept = wishesKept(line, moved);
  const holds = (wish: LineWish, at: number) =>
    (wish.kind !== 'pin' && wish.kind !== 'together') ||
    (kept[at]! && !wish.jobs.some((id) => jobs.includes(id)) && !(wish.kind === 'pin' && wish.after === pin.after));
  const left = wishes.filter(holds);
  const next = canKeep(line, [...left, pin]) ? [...left, pin] : [pin];
  return {
    own: { order: ids, wishes: next },
    letGo: wishes.filter((wish) => !next.includes(wish) && !(wish.kind === 'pin' && wish.jobs.every((id) => jobs.includes(id)))),
  };
}
