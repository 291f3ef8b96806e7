import FlatQueue from 'flatqueue';
import type { CompiledLine } from './compiledLine';

/** How many jobs must stand before each job, counted once per job. */
export function predecessorCounts(line: CompiledLine): Int32Array {
  const counts = new Int32Array(line.jobCount);
  for (const successors of line.successors) for (const job of successors) counts[job]!++;
  return counts;
}

/**
 * An order with predecessors first that always takes, of the jobs that may stand next, the one with the smallest
 * rank; no two jobs have the same. A job in a cycle cannot stand anywhere, so a shorter result means a cycle.
 */
export function orderByRank(line: CompiledLine, rank: (job: number) => number): Int32Array {
  const open = predecessorCounts(line);
  const eligible = new FlatQueue<number>();
  open.forEach((count, job) => count === 0 && eligible.push(job, rank(job)));
  const order: number[] = [];
  while (eligible.length > 0) {
    const next = eligible.pop()!;
    order.push(next);
    for (const behind of line.successors[next]!) if (--open[behind]! === 0) eligible.push(behind, rank(behind));
  }
  return Int32Array.from(order);
}

/** The jobs as entered, moved only as far as predecessors ask. */
export const enteredOrder = (line: CompiledLine): Int32Array => orderByRank(line, (job) => job);

/** All jobs of the first tray, then all of the second. */
export const trayByTrayOrder = (line: CompiledLine): Int32Array => orderByRank(line, (job) => line.jobTray[job]! * line.jobCount + job);

/**
 * Minutes from the end of each job to the end of the line at the least: the longest chain of drying and painting
 * behind it. Longest first is the usual tie-break when several jobs could stand next.
 */
export function tailMinutes(line: CompiledLine): Float64Array {
  const tail = new Float64Array(line.jobCount);
  const minutes = Float64Array.from(line.jobSetup, (_, job) => {
    let sum = 0;
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) sum += line.cellMinutes[cell]!;
    return sum;
  });
  const order = enteredOrder(line);
  for (let index = order.length - 1; index >= 0; index--) {
    const job = order[index]!;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      const other = line.edgeJob[edge]!;
      tail[other] = Math.max(tail[other]!, line.edgeLag[edge]! + minutes[job]! + tail[job]!);
    }
  }
  return tail;
}
