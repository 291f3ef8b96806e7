import type { CompiledLine } from '../problem/compiledLine';
import { enteredOrder } from '../problem/precedence';
import { minutesBehindLastModel } from './headsAndTails';

/** Dates beyond these are left out of the bound, those that cost least first: it looks at every set of them. */
const MOST_DATES = 6;

/**
 * What lateness costs at the least. Dates are settled one after the other, and when the last of some are, all the work that
 * any of them needs is done: for every set of dates a moment follows before which they cannot all be settled, and the cheapest
 * succession of dates by those moments is no dearer than any order's.
 */
export class DateBounds {
  /** The dates that are looked at. */
  readonly dates: number[];
  readonly all: number;
  /** For each job, the dates it is needed for, as bits. */
  readonly neededFor: Int32Array;
  private readonly tails: Float64Array[];
  private readonly cost: Float64Array;

  constructor(private readonly line: CompiledLine) {
    const { due } = line;
    this.dates = [...due.at.keys()]
      .filter((date) => due.perMinuteLate[date]! > 0)
      .sort((a, b) => due.perMinuteLate[b]! - due.perMinuteLate[a]!)
      .slice(0, MOST_DATES);
    this.all = (1 << this.dates.length) - 1;
    this.neededFor = neededFor(line, this.dates);
    this.tails = this.dates.map((date, bit) => tailsTo(line, date, (job) => (this.neededFor[job]! >> bit) & 1));
    this.cost = new Float64Array(this.all + 1);
  }

  /** Which dates are still to come when these jobs are placed. */
  openAfter(isPlaced: (job: number) => boolean): number {
    let open = 0;
    this.dates.forEach((date, bit) => {
      if (!this.line.due.jobs[date]!.every(isPlaced)) open |= 1 << bit;
    });
    return open;
  }

  /** No date of a job's can be settled sooner after its end; -Infinity when it is not needed for the date. */
  tail(bit: number, job: number): number {
    return this.tails[bit]![job]!;
  }

  /** Minutes by dates that they are needed for (index: bits), made into the minutes that each set of dates needs. */
  workOfSets(byMask: Float64Array): Float64Array {
    const within = byMask.slice();
    for (let bit = 1; bit <= this.all; bit <<= 1)
      for (let set = 0; set <= this.all; set++) if (set & bit) within[set]! += within[set ^ bit]!;
    return within.map((_, set) => within[this.all]! - within[this.all & ~set]!);
  }

  /**
   * Minutes of lateness at the least over the dates of a set; `settledAt` gives the earliest moment for all of a set,
   * `earliest` for each single date by its bit.
   */
  leastLate(open: number, settledAt: (set: number) => number, earliest: ArrayLike<number>): number {
    const { cost, dates } = this;
    const { at, perMinuteLate } = this.line.due;
    for (let set = 1; set <= open; set++) {
      if (set & ~open) continue;
      const moment = settledAt(set);
      let least = Infinity;
      for (let bit = 0; bit < dates.length; bit++) {
        if (!(set & (1 << bit))) continue;
        const end = Math.max(moment, earliest[bit]!);
        const late = perMinuteLate[dates[bit]!]! * Math.max(0, end - at[dates[bit]!]!);
        least = Math.min(least, cost[set ^ (1 << bit)]! + late);
      }
      cost[set] = least;
    }
    return open === 0 ? 0 : cost[open]!;
  }
}

/** The jobs of a date and all that must stand before them. */
function neededFor(line: CompiledLine, dates: number[]): Int32Array {
  const needed = new Int32Array(line.jobCount);
  const order = enteredOrder(line);
  dates.forEach((date, bit) => {
    for (const job of line.due.jobs[date]!) needed[job]! |= 1 << bit;
    for (let index = order.length - 1; index >= 0; index--) {
      const job = order[index]!;
      if ((needed[job]! >> bit) & 1) for (const other of line.predecessors[job]!) needed[other]! |= 1 << bit;
    }
  });
  return needed;
}

/** The longest chain of drying and painting from the end of each job to the end of a date's jobs. */
function tailsTo(line: CompiledLine, date: number, isNeeded: (job: number) => number): Float64Array {
  const tails = new Float64Array(line.jobCount).fill(-Infinity);
  for (const job of line.due.jobs[date]!) tails[job] = 0;
  const order = enteredOrder(line);
  for (let index = order.length - 1; index >= 0; index--) {
    const job = order[index]!;
    if (!isNeeded(job)) continue;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      const other = line.edgeJob[edge]!;
      const left = minutesBehindLastModel(line, job, edge, line.cellStart[other + 1]! - 1);
      if (left >= 0) tails[other] = Math.max(tails[other]!, line.edgeLag[edge]! + left + tails[job]!);
    }
  }
  return tails;
}
