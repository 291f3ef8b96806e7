import type { CompiledLine } from '../problem/compiledLine';
import { LineClock } from '../timing/LineClock';
import { enteredOrder, predecessorCounts, tailMinutes } from '../problem/precedence';
import { urgency } from './urgency';

/** How much a greedy construction weighs what it sees, all against what one minute of changeover counts. */
export interface GreedyWeights {
  wait: number;
  touchUp: number;
  /** Credit for a minute of drying and painting still behind the job, and for a minute that its date comes before the last one. */
  tail: number;
}

export const GREEDY_WEIGHTS: readonly GreedyWeights[] = [
  { wait: 1, touchUp: 1, tail: 0.001 },
  { wait: 1, touchUp: 1, tail: 0.02 },
  { wait: 2, touchUp: 0.5, tail: 0.005 },
  { wait: 1, touchUp: 3, tail: 0.005 },
];

const STOP_CHECK_JOBS = 64;

interface GreedyOptions {
  /** Jobs of a lower group come before those of a higher one wherever predecessors allow it. */
  groupOf?: (job: number) => number;
  /** Asked now and then; true gives the choosing up. */
  shouldStop?: () => boolean;
}

/**
 * Builds an order by always taking the job that loses least right now: its changeover, its wait, and the touch-up
 * of every preference it breaks by coming first, less a credit for long chains behind it and near dates. Told to stop, it leaves the rest as entered.
 */
export function greedyOrder(line: CompiledLine, weights: GreedyWeights, { groupOf, shouldStop }: GreedyOptions = {}): Int32Array {
  const clock = new LineClock(line);
  const open = predecessorCounts(line);
  const early = urgency(line);
  const tail = tailMinutes(line).map((minutes, job) => minutes + early[job]!);
  const placed = new Uint8Array(line.jobCount);
  const wishes = wishesByJob(line);
  const eligible = new EligibleJobs(line, tail);
  open.forEach((count, job) => count === 0 && eligible.add(job));
  const order = new Int32Array(line.jobCount);
  const { objective } = line;
  const perMinute = objective.bench + objective.span;

  const lossOf = (job: number): number => {
    const { prep, wait } = clock.peek(job);
    let loss = perMinute * (prep + weights.wait * wait - weights.tail * tail[job]!);
    if (line.jobSetup[job] !== clock.held) loss += objective.leg;
    for (const entry of wishes[job]!) if (!placed[line.preferFirst[entry]!]) loss += weights.touchUp * line.preferCost[entry]!;
    return loss;
  };
  const choose = (): number => {
    const group = groupOf && eligible.all().reduce((least, job) => Math.min(least, groupOf(job)), Infinity);
    let best = -1;
    let bestLoss = Infinity;
    for (const { setup, jobs } of eligible.bySetup) {
      const prep = leastPrep(line, clock.held, setup);
      for (const job of jobs) {
        // Those behind it have shorter ways to the end of the line: they cannot lose less.
        if (perMinute * (prep - weights.tail * tail[job]!) > bestLoss) break;
        if (groupOf && groupOf(job) !== group) continue;
        const loss = lossOf(job);
        if (loss < bestLoss || (loss === bestLoss && job < best)) {
          best = job;
          bestLoss = loss;
        }
      }
    }
    return best;
  };

  for (let index = 0; index < order.length; index++) {
    if (shouldStop && index % STOP_CHECK_JOBS === 0 && shouldStop()) {
      order.set(
        enteredOrder(line).filter((job) => !placed[job]),
        index,
      );
      return order;
    }
    const best = choose();
    eligible.remove(best);
    placed[best] = 1;
    order[index] = best;
    clock.place(best);
    for (const next of line.successors[best]!) if (--open[next]! === 0) eligible.add(next);
  }
  return order;
}

/** No job under a setup can be begun with less preparation, in this session or a later one. */
const leastPrep = (line: CompiledLine, held: number, setup: number): number =>
  held < 0 ? line.start[setup]! : Math.min(line.start[setup]!, line.changeover[held * line.setupCount + setup]!);

/** Jobs that may stand next, by setup, those with the longest way to the end of the line first. */
class EligibleJobs {
  readonly bySetup: { setup: number; jobs: number[] }[];

  constructor(
    private readonly line: CompiledLine,
    private readonly tail: Float64Array,
  ) {
    this.bySetup = Array.from({ length: line.setupCount }, (_, setup) => ({ setup, jobs: [] }));
  }

  add(job: number): void {
    const { jobs } = this.bySetup[this.line.jobSetup[job]!]!;
    jobs.splice(this.placeOf(job, jobs), 0, job);
  }

  remove(job: number): void {
    const { jobs } = this.bySetup[this.line.jobSetup[job]!]!;
    jobs.splice(this.placeOf(job, jobs), 1);
  }

  all(): number[] {
    return this.bySetup.flatMap(({ jobs }) => jobs);
  }

  private placeOf(job: number, jobs: number[]): number {
    let low = 0;
    let high = jobs.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.isBefore(jobs[middle]!, job)) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private isBefore(a: number, b: number): boolean {
    return this.tail[a]! > this.tail[b]! || (this.tail[a] === this.tail[b] && a < b);
  }
}

/** For each job, the preferences it would break by standing before their `first`. */
function wishesByJob(line: CompiledLine): number[][] {
  const wishes: number[][] = Array.from({ length: line.jobCount }, () => []);
  line.preferThen.forEach((job, entry) => wishes[job]!.push(entry));
  return wishes;
}
