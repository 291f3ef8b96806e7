import type { CompiledLine } from '../problem/compiledLine';
import { LineClock } from './LineClock';
import type { LineLeg, LineTotals, TimedDue, TimedJob } from '../definitions';

/** Minutes of the `prefer` entries of an order whose `first` does not stand before its `then`: to paint again, and of wishes. */
export function brokenMinutes(line: CompiledLine, position: Int32Array): { touchUp: number; against: number } {
  let touchUp = 0;
  let against = 0;
  for (let entry = 0; entry < line.preferMinutes.length; entry++) {
    if (position[line.preferFirst[entry]!]! < position[line.preferThen[entry]!]!) continue;
    if (line.preferIsWish[entry]) against += line.preferMinutes[entry]!;
    else touchUp += line.preferMinutes[entry]!;
  }
  return { touchUp, against };
}

/** Where each job stands in an order. */
export function positionsOf(order: ArrayLike<number>, into: Int32Array = new Int32Array(order.length)): Int32Array {
  for (let index = 0; index < order.length; index++) into[order[index]!] = index;
  return into;
}

/** When the last job of each date ends; a date without jobs is met at the start. */
function timedDue(line: CompiledLine, endOf: (job: number) => number): TimedDue[] {
  return line.due.jobs.map((jobs, index) => ({
    id: line.problem.due![index]!.id,
    end: jobs.reduce((last, job) => Math.max(last, endOf(job)), line.sessionFrom[0]!),
    at: line.due.at[index]!,
  }));
}

export interface TimedOrder {
  fits: true;
  totals: LineTotals;
  jobs: TimedJob[];
  legs: LineLeg[];
  due: TimedDue[];
  /** End of every cell of the compiled line. */
  cellEnds: Float64Array;
}

/** An order that the sessions given cannot hold, with the minutes missing at the least. */
export interface DoesNotFit {
  fits: false;
  missingMinutes: number;
}

/**
 * Times a complete order; the order must hold every job once with predecessors first (see `readOrder`). Whoever times many orders of a
 * short line gives a clock of that line: making one takes longer than the timing.
 */
export function timeOrder(line: CompiledLine, order: ArrayLike<number>, clock = new LineClock(line)): TimedOrder | DoesNotFit {
  clock.restart();
  const jobs: TimedJob[] = [];
  const legs: LineLeg[] = [];
  let finish = clock.time;
  let changeover = 0;
  let wait = 0;
  for (let index = 0; index < order.length; index++) {
    const job = order[index]!;
    const { from, begin, end, prep, wait: waited } = clock.place(job);
    const { id, setup } = line.problem.jobs[job]!;
    jobs.push({ id, begin, end, prep, wait: waited });
    changeover += prep;
    wait += waited;
    const leg = legs.at(-1);
    if (leg?.setup === setup) {
      leg.jobs.push(id);
      leg.to = end;
    } else legs.push({ setup, jobs: [id], from, to: end });
    finish = end;
  }
  if (clock.missing > 0) return { fits: false, missingMinutes: clock.missing };
  const cellEnds = new Float64Array(line.cellMinutes.length);
  for (let job = 0; job < line.jobCount; job++)
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) cellEnds[cell] = clock.cellEnd(job, cell);
  const handsOn = line.jobMinutes.reduce((sum, minutes) => sum + minutes, 0);
  const { touchUp, against } = brokenMinutes(line, positionsOf(order));
  const due = timedDue(line, (job) => clock.endOf(job));
  const late = due.reduce((sum, { end, at }, index) => sum + line.due.perMinuteLate[index]! * Math.max(0, end - at), 0);
  const { objective } = line;
  const total =
    objective.span * (finish - line.sessionFrom[0]!) +
    objective.bench * (handsOn + changeover + wait) +
    objective.touchUp * touchUp +
    objective.leg * legs.length +
    late +
    against;
  const bench = handsOn + changeover + wait + touchUp;
  const totals = { total, finish, bench, handsOn, changeover, wait, touchUp, late, against, legCount: legs.length };
  return { fits: true, totals, jobs, legs, due, cellEnds };
}

/** What a complete order comes to. Throws where the sessions do not hold it: for orders that were found to fit. */
export function totalsOfOrder(line: CompiledLine, order: ArrayLike<number>): LineTotals {
  const timed = timeOrder(line, order);
  if (!timed.fits) throw new Error(`The sessions do not hold this order: ${timed.missingMinutes} minutes are missing`);
  return timed.totals;
}
