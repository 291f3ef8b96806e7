import type { CompiledLine } from '../problem/compiledLine';
import { brokenMinutes } from '../timing/timeOrder';

/** Minutes to paint again, and what all that is broken adds to the cost. */
export interface BrokenPreferences {
  touchUp: number;
  broken: number;
}

/** What the preferences that an order breaks come to, and by how much a move changes that, without looking at what did not move. */
export class Preferences {
  private readonly byJob: ByJob;

  constructor(private readonly line: CompiledLine) {
    this.byJob = preferencesByJob(line);
  }

  /** What an order comes to, by the place of each job. */
  of(position: Int32Array): BrokenPreferences {
    const { touchUp, against } = brokenMinutes(this.line, position);
    return { touchUp, broken: this.line.objective.touchUp * touchUp + against };
  }

  /** Puts into `change` what comes of moving the jobs at places `from` to `end` (not included) to before the job at place `to`. */
  changeBy(order: Int32Array, position: Int32Array, { from, end, to }: Move, change: BrokenPreferences): void {
    const { byJob } = this;
    change.touchUp = change.broken = 0;
    if (this.line.preferMinutes.length === 0) return;
    const low = to < from ? to : end;
    const high = to < from ? from : to;
    const sign = to < from ? 1 : -1;
    let broken = 0;
    let touchUp = 0;
    for (let place = from; place < end; place++) {
      const job = order[place]!;
      for (let entry = byJob.start[job]!; entry < byJob.start[job + 1]!; entry++) {
        const other = position[byJob.other[entry]!]!;
        // The minutes are those of a job standing before the other: moving it to the front of the other adds them.
        if (other < low || other >= high) continue;
        broken += byJob.cost[entry]!;
        if (byJob.touchUp) touchUp += byJob.touchUp[entry]!;
      }
    }
    change.broken = sign * broken;
    change.touchUp = byJob.touchUp ? sign * touchUp : change.broken;
  }
}

interface Move {
  from: number;
  end: number;
  to: number;
}

/** Each job's preferences: what standing before the other job costs (negative: standing behind it), and the touch-up minutes in that. */
interface ByJob {
  start: Int32Array;
  other: Int32Array;
  cost: Float64Array;
  /** Null where these are all that counts. */
  touchUp: Float64Array | null;
}

function preferencesByJob(line: CompiledLine): ByJob {
  const entries: { other: number; cost: number; touchUp: number }[][] = Array.from({ length: line.jobCount }, () => []);
  line.preferCost.forEach((cost, entry) => {
    const touchUp = line.preferIsWish[entry] ? 0 : line.preferMinutes[entry]!;
    const first = line.preferFirst[entry]!;
    const then = line.preferThen[entry]!;
    if (first === then) return;
    entries[then]!.push({ other: first, cost, touchUp });
    entries[first]!.push({ other: then, cost: -cost, touchUp: -touchUp });
  });
  const start = new Int32Array(line.jobCount + 1);
  entries.forEach((list, job) => (start[job + 1] = start[job]! + list.length));
  return {
    start,
    other: Int32Array.from(entries.flat(), (entry) => entry.other),
    cost: Float64Array.from(entries.flat(), (entry) => entry.cost),
    touchUp: entries.flat().every(({ cost, touchUp }) => cost === touchUp)
      ? null
      : Float64Array.from(entries.flat(), (entry) => entry.touchUp),
  };
}
