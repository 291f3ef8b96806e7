import type { Steps } from '../../kernel/steps';
import { setLeads } from '../problem/compileLine';
import { inOneShape, type CompiledLine } from '../problem/compiledLine';
import { LineClock } from './LineClock';

/** When an order is done in each of a number of draws, minutes; Infinity where the sessions do not hold it. */
export interface DrawnEnds {
  finish: Float64Array;
  /** For each date of the line. */
  due: Float64Array[];
}

/**
 * Times an order under draws of how long its jobs take: `factors[job][draw]` is what the hands-on minutes of a job are
 * multiplied by. Setting up and drying take as long as ever. One step for each draw.
 */
export function* timeDraws(
  line: CompiledLine,
  order: ArrayLike<number>,
  factors: ArrayLike<ArrayLike<number>>,
  draws: number,
): Steps<DrawnEnds> {
  const drawn = inOneShape({
    ...line,
    cellMinutes: line.cellMinutes.slice(),
    cellSum: line.cellSum.slice(),
    jobMinutes: line.jobMinutes.slice(),
    edgeLead: line.edgeLead.slice(),
    edgeLeadsAtFirst: line.edgeLeadsAtFirst.slice(),
  });
  const clock = new LineClock(drawn);
  const ends: DrawnEnds = { finish: new Float64Array(draws), due: line.due.jobs.map(() => new Float64Array(draws)) };
  for (let draw = 0; draw < draws; draw++) {
    scale(line, drawn, (job) => factors[job]![draw]!);
    clock.restart();
    for (let place = 0; place < order.length; place++) clock.place(order[place]!);
    const fits = clock.missing === 0;
    ends.finish[draw] = fits ? clock.time : Infinity;
    line.due.jobs.forEach((jobs, date) => {
      ends.due[date]![draw] = fits ? jobs.reduce((last, job) => Math.max(last, clock.endOf(job)), line.sessionFrom[0]!) : Infinity;
    });
    yield;
  }
  return ends;
}

function scale(line: CompiledLine, drawn: CompiledLine, factorOf: (job: number) => number): void {
  for (let job = 0; job < line.jobCount; job++) {
    const factor = factorOf(job);
    let sum = 0;
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) {
      drawn.cellMinutes[cell] = line.cellMinutes[cell]! * factor;
      drawn.cellSum[cell] = sum += drawn.cellMinutes[cell]!;
    }
    drawn.jobMinutes[job] = sum;
  }
  setLeads(drawn);
}
