import type { CompiledLine } from './compileLine';
import { LineClock } from './LineClock';
import { predecessorCounts, tailMinutes } from './precedence';

/** How much a greedy construction weighs what it sees, all against one minute of changeover. */
export interface GreedyWeights {
  wait: number;
  touchUp: number;
  /** Credit for a minute of drying and painting still behind the job. */
  tail: number;
}

export const GREEDY_WEIGHTS: readonly GreedyWeights[] = [
  { wait: 1, touchUp: 1, tail: 0.001 },
  { wait: 1, touchUp: 1, tail: 0.02 },
  { wait: 2, touchUp: 0.5, tail: 0.005 },
  { wait: 1, touchUp: 3, tail: 0.005 },
];

/**
 * Builds an order by always taking the job that loses least right now: its changeover, its wait, and the touch-up
 * of every preference it breaks by coming first, less a credit for long chains behind it.
 * With `groupOf`, jobs of a lower group come before those of a higher one wherever predecessors allow it.
 */
export function greedyOrder(line: CompiledLine, weights: GreedyWeights, groupOf?: (job: number) => number): Int32Array {
  const clock = new LineClock(line);
  const open = predecessorCounts(line);
  const tail = tailMinutes(line);
  const placed = new Uint8Array(line.jobCount);
  const wishes = wishesByJob(line);
  const eligible = new Set<number>();
  open.forEach((count, job) => count === 0 && eligible.add(job));
  const order = new Int32Array(line.jobCount);
  for (let index = 0; index < order.length; index++) {
    let best = -1;
    let bestLoss = Infinity;
    const group = groupOf && Math.min(...[...eligible].map(groupOf));
    for (const job of eligible) {
      if (groupOf && groupOf(job) !== group) continue;
      const { prep, wait } = clock.peek(job);
      let loss = prep + weights.wait * wait - weights.tail * tail[job]!;
      for (const entry of wishes[job]!) if (!placed[line.preferFirst[entry]!]) loss += weights.touchUp * line.preferMinutes[entry]!;
      if (loss < bestLoss || (loss === bestLoss && job < best)) {
        best = job;
        bestLoss = loss;
      }
    }
    eligible.delete(best);
    placed[best] = 1;
    order[index] = best;
    clock.place(best);
    for (const next of line.successors[best]!) if (--open[next]! === 0) eligible.add(next);
  }
  return order;
}

/** For each job, the preferences it would break by standing before their `first`. */
function wishesByJob(line: CompiledLine): number[][] {
  const wishes: number[][] = Array.from({ length: line.jobCount }, () => []);
  line.preferThen.forEach((job, entry) => wishes[job]!.push(entry));
  return wishes;
}
