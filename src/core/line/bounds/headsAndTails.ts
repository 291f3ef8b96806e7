import { calendarWithRestarts } from './sessions';
import type { CompiledLine } from '../problem/compiledLine';
import type { Openings } from './openings';
import { enteredOrder } from '../problem/precedence';

/** Heads and tails (Carlier 1982). For each job, what no order can beat: the earliest begin, and the least minutes from its end to the end of the line. */
export interface HeadsAndTails {
  heads: Float64Array;
  tails: Float64Array;
}

/** Above this many jobs the sets of all jobs before and behind each one are not worked out, only chains. */
const MOST_JOBS_WITH_SETS = 3000;

/**
 * A job begins after the longest chain of painting and drying before it, and after all the work before it, with every
 * setup of that work opened once; the same backwards for what follows it.
 */
export function headsAndTails(line: CompiledLine, openings: Openings): HeadsAndTails {
  const order = enteredOrder(line);
  const heads = chainHeads(line, order);
  const tails = chainTails(line, order);
  if (line.jobCount <= MOST_JOBS_WITH_SETS) raiseByWork(line, openings, order, heads, tails);
  return { heads, tails };
}

/** Each cell after its predecessors' drying and after its tray mates of the same job. */
function chainHeads(line: CompiledLine, order: Int32Array): Float64Array {
  const heads = new Float64Array(line.jobCount);
  const cellEnd = new Float64Array(line.cellMinutes.length);
  const jobEnd = new Float64Array(line.jobCount);
  for (const job of order) {
    const first = line.cellStart[job]!;
    let time = line.sessionFrom[0]! + line.start.reduce((least, minutes) => Math.min(least, minutes), Infinity);
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++)
      if (line.edgeWholeTray[edge]) time = Math.max(time, jobEnd[line.edgeJob[edge]!]! + line.edgeLag[edge]!);
    for (let cell = first; cell < line.cellStart[job + 1]!; cell++) {
      for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
        if (line.edgeWholeTray[edge]) continue;
        const other = line.edgeCell[line.edgeCellStart[edge]! + cell - first]!;
        if (other >= 0) time = Math.max(time, cellEnd[other]! + line.edgeLag[edge]!);
      }
      if (cell === first) heads[job] = time;
      time += line.cellMinutes[cell]!;
      cellEnd[cell] = time;
    }
    jobEnd[job] = time;
  }
  return heads;
}

/** Each job's last end to the end of the line, by way of every successor's models from the last one they share on. */
function chainTails(line: CompiledLine, order: Int32Array): Float64Array {
  const tails = new Float64Array(line.jobCount);
  for (let index = order.length - 1; index >= 0; index--) {
    const job = order[index]!;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      const other = line.edgeJob[edge]!;
      const left = minutesBehindLastModel(line, job, edge, line.cellStart[other + 1]! - 1);
      if (left < 0) continue;
      tails[other] = Math.max(tails[other]!, line.edgeLag[edge]! + left + tails[job]!);
    }
  }
  return tails;
}

/** Hands-on minutes of the job from the model on that waits for the other job's last cell; -1 when none does. */
export function minutesBehindLastModel(line: CompiledLine, job: number, edge: number, lastCell: number): number {
  if (line.edgeWholeTray[edge]) return line.jobMinutes[job]!;
  const first = line.cellStart[job]!;
  for (let cell = first; cell < line.cellStart[job + 1]!; cell++)
    if (line.edgeCell[line.edgeCellStart[edge]! + cell - first] === lastCell)
      return line.jobMinutes[job]! - line.cellSum[cell]! + line.cellMinutes[cell]!;
  return -1;
}

function raiseByWork(line: CompiledLine, openings: Openings, order: Int32Array, heads: Float64Array, tails: Float64Array): void {
  const n = line.jobCount;
  const words = (n + 31) >> 5;
  const calendar = calendarWithRestarts(line, openings.perSessionAlone);
  const gather = (jobs: ArrayLike<number>, neighbours: Int32Array[], raise: (job: number, work: number) => void, paysOwn: boolean) => {
    const sets = new Uint32Array(n * words);
    const seen = new Int32Array(line.setupCount).fill(-1);
    const fetched = new Int32Array(line.trayFetch.length).fill(-1);
    for (let index = 0; index < n; index++) {
      const job = jobs[index]!;
      for (const other of neighbours[job]!) {
        for (let word = 0; word < words; word++) sets[job * words + word]! |= sets[other * words + word]!;
        sets[job * words + (other >> 5)]! |= 1 << (other & 31);
      }
      const own = line.jobTray[job]!;
      let work = paysOwn ? openings.enter[line.jobSetup[job]!]! + line.trayFetch[own]! : 0;
      seen[line.jobSetup[job]!] = job;
      fetched[own] = job;
      for (let other = 0; other < n; other++) {
        if (!((sets[job * words + (other >> 5)]! >>> (other & 31)) & 1)) continue;
        work += line.jobMinutes[other]!;
        const setup = line.jobSetup[other]!;
        const tray = line.jobTray[other]!;
        if (seen[setup] !== job) work += openings.enter[setup]!;
        if (fetched[tray] !== job) work += line.trayFetch[tray]!;
        seen[setup] = job;
        fetched[tray] = job;
      }
      raise(job, work);
    }
  };
  const discount = Math.min(0, openings.firstExtra);
  gather(order, line.predecessors, (job, work) => (heads[job] = Math.max(heads[job]!, calendar.momentOf(work + discount))), true);
  gather(order.slice().reverse(), line.successors, (job, work) => (tails[job] = Math.max(tails[job]!, work)), false);
}

/**
 * The best of: all jobs that neither begin before some moment nor end too near to the end of the line are done between
 * the two, with every setup of theirs but one opened in between, and every tray but one fetched.
 */
export function headBodyTail(line: CompiledLine, openings: Openings, { heads, tails }: HeadsAndTails): number {
  const n = line.jobCount;
  const calendar = calendarWithRestarts(line, openings.perSessionAlone);
  const byHead = Int32Array.from(heads.keys()).sort((a, b) => heads[b]! - heads[a]!);
  const limits = [...new Set(tails)].sort((a, b) => a - b);
  const seen = new Int32Array(line.setupCount).fill(-1);
  const fetched = new Int32Array(line.trayFetch.length).fill(-1);
  let best = 0;
  limits.forEach((tail, round) => {
    let work = 0;
    let dearest = 0;
    let dearestFetch = 0;
    for (let index = 0; index < n; index++) {
      const job = byHead[index]!;
      if (tails[job]! < tail) continue;
      const setup = line.jobSetup[job]!;
      work += line.jobMinutes[job]!;
      if (seen[setup] !== round) {
        seen[setup] = round;
        work += openings.enter[setup]!;
        dearest = Math.max(dearest, openings.enter[setup]!);
      }
      const tray = line.jobTray[job]!;
      if (fetched[tray] !== round) {
        fetched[tray] = round;
        work += line.trayFetch[tray]!;
        dearestFetch = Math.max(dearestFetch, line.trayFetch[tray]!);
      }
      best = Math.max(best, calendar.momentOf(calendar.benchTimeAt(heads[job]!) + work - dearest - dearestFetch) + tail);
    }
  });
  return best;
}
