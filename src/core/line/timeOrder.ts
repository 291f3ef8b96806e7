import type { CompiledLine } from './compileLine';
import { LineClock } from './LineClock';
import type { LineLeg, LineTotals, TimedJob } from './definitions';

/** Touch-up minutes an order costs: every `prefer` entry whose `first` does not stand before its `then`. */
export function touchUpMinutes(line: CompiledLine, position: Int32Array): number {
  let minutes = 0;
  for (let entry = 0; entry < line.preferMinutes.length; entry++) {
    if (position[line.preferFirst[entry]!]! >= position[line.preferThen[entry]!]!) minutes += line.preferMinutes[entry]!;
  }
  return minutes;
}

/** Where each job stands in an order. */
export function positionsOf(order: ArrayLike<number>, into: Int32Array = new Int32Array(order.length)): Int32Array {
  for (let index = 0; index < order.length; index++) into[order[index]!] = index;
  return into;
}

export interface TimedOrder {
  totals: LineTotals;
  jobs: TimedJob[];
  legs: LineLeg[];
  /** End of every cell of the compiled line. */
  cellEnds: Float64Array;
}

/** An order that the sessions given cannot hold, with the minutes missing at the least. */
export interface DoesNotFit {
  missingMinutes: number;
}

/** Times a complete order; the order must hold every job once with predecessors first (see `readOrder`). */
export function timeOrder(line: CompiledLine, order: ArrayLike<number>): TimedOrder | DoesNotFit {
  const clock = new LineClock(line);
  const jobs: TimedJob[] = [];
  const legs: LineLeg[] = [];
  let finish = clock.time;
  for (let index = 0; index < order.length; index++) {
    const job = order[index]!;
    const { from, begin, end, prep, wait } = clock.place(job);
    const { id, setup } = line.problem.jobs[job]!;
    jobs.push({ id, begin, end, prep, wait });
    const leg = legs.at(-1);
    if (leg?.setup === setup) {
      leg.jobs.push(id);
      leg.to = end;
    } else legs.push({ setup, jobs: [id], from, to: end });
    finish = end;
  }
  if (clock.missing > 0) return { missingMinutes: clock.missing };
  return { totals: totalsOf(line, clock, finish, touchUpMinutes(line, positionsOf(order))), jobs, legs, cellEnds: clock.cellEnds };
}

function totalsOf(line: CompiledLine, clock: LineClock, finish: number, touchUp: number): LineTotals {
  const { handsOn, changeover, wait } = clock;
  const total = finish - line.sessionFrom[0]! + touchUp;
  return { total, finish, bench: handsOn + changeover + wait + touchUp, handsOn, changeover, wait, touchUp };
}

/** A day's worth of minutes a plan that does not fit is charged for every minute missing, so that a search leaves it. */
const MISSING_PENALTY = 1440;
/** A hundred minutes of bench time weigh as much as 1e-6 of total, the precision orders are compared to. */
const BENCH_TIE_WEIGHT = 1e-8;

/** A reusable evaluation of orders: total plus a tie-breaking share of the bench time, as one number to minimise. */
export function createCost(line: CompiledLine): (order: Int32Array) => number {
  const clock = new LineClock(line);
  const position = new Int32Array(line.jobCount);
  return (order) => {
    clock.reset();
    for (let index = 0; index < order.length; index++) clock.place(order[index]!);
    const touchUp = touchUpMinutes(line, positionsOf(order, position));
    const finish = order.length ? clock.time : line.sessionFrom[0]!;
    const bench = clock.handsOn + clock.changeover + clock.wait + touchUp;
    return finish - line.sessionFrom[0]! + touchUp + BENCH_TIE_WEIGHT * bench + MISSING_PENALTY * clock.missing;
  };
}
