import type { CompiledLine } from '../problem/compiledLine';
import type { OrderChange } from '../definitions';
import { OrderJudge } from '../search/OrderJudge';
import { OrderMoves } from '../search/OrderMoves';

/** A place that a run of jobs may take, and what it costs to put it there. */
export interface PlaceCost extends OrderChange {
  /** The run goes before the job that stands at this place now; the number of jobs for the end of the line. */
  to: number;
  /** Minutes of total more than now, wishes counted; negative when the place is better. */
  minutes: number;
}

/** Below this, minutes come from the share of the bench time that breaks ties, not from the total. */
const SMALLEST_CHANGE = 1e-3;

/** Every place that the jobs at places `from` to `end` (not included) of the order may take, with its price. */
export function placesFor(line: CompiledLine, order: ArrayLike<number>, from: number, end: number): PlaceCost[] {
  const judge = new OrderJudge(line);
  judge.take(order);
  const moves = new OrderMoves(line, judge.order, judge.position, () => 0);
  return moves.placesOf(from, end).map((to) => {
    const change = judge.judge(from, end, to, Infinity) - judge.cost;
    const { bench, finish, late } = judge.judgedChange;
    judge.reject();
    return { to, minutes: rounded(change), bench: rounded(bench), finish: rounded(finish), late: rounded(late) };
  });
}

const rounded = (minutes: number) => (Math.abs(minutes) < SMALLEST_CHANGE ? 0 : minutes);
