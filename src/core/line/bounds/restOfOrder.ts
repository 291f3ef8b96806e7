import type { CompiledLine } from '../problem/compiledLine';
import { has } from './begunOrder';
import type { DateBounds } from './dates';
import type { Openings } from './openings';

/** What is left to place after a begun order. */
export interface Rest {
  /** Jobs that may stand next. */
  next: number[];
  jobsOfSetup: Int32Array;
  setups: number;
  /** Hands-on minutes, the cheapest opening of every setup, and a fetch of every tray. */
  work: number;
  /** The hands-on minutes alone. */
  handsOn: number;
  /** The dates that are not settled, what each set of all of them still needs, and the sets that need a setup or a tray. */
  open: number;
  workOfSets: Float64Array;
  setupSets: Int32Array;
  traySets: Int32Array;
}

/** What the jobs placed, a bit each, leave to do. */
export function restOfOrder(line: CompiledLine, openings: Openings, dates: DateBounds, placed: Uint32Array): Rest {
  const byMask = new Float64Array(dates.all + 1);
  const rest: Rest = {
    next: [],
    jobsOfSetup: new Int32Array(line.setupCount),
    setups: 0,
    work: 0,
    handsOn: 0,
    open: dates.openAfter((job) => has(placed, job)),
    workOfSets: byMask,
    setupSets: new Int32Array(line.setupCount),
    traySets: new Int32Array(line.trayFetch.length),
  };
  const seen = new Uint8Array(line.trayFetch.length);
  for (let job = 0; job < line.jobCount; job++) {
    if (has(placed, job)) continue;
    const setup = line.jobSetup[job]!;
    if (rest.jobsOfSetup[setup]!++ === 0) {
      rest.work += openings.enter[setup]!;
      rest.setups++;
    }
    const tray = line.jobTray[job]!;
    if (seen[tray] === 0) rest.work += line.trayFetch[tray]!;
    seen[tray] = 1;
    rest.work += line.jobMinutes[job]!;
    rest.handsOn += line.jobMinutes[job]!;
    byMask[dates.neededFor[job]!]! += line.jobMinutes[job]!;
    rest.setupSets[setup]! |= dates.neededFor[job]!;
    rest.traySets[tray]! |= dates.neededFor[job]!;
    if (line.predecessors[job]!.every((other) => has(placed, other))) rest.next.push(job);
  }
  if (rest.open > 0) {
    rest.setupSets.forEach((mask, setup) => mask && (byMask[mask]! += openings.enter[setup]!));
    rest.traySets.forEach((mask, tray) => mask && (byMask[mask]! += line.trayFetch[tray]!));
    rest.workOfSets = dates.workOfSets(byMask);
  }
  return rest;
}
