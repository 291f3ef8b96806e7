import { cheapestAssignment } from './assignment';
import type { CompiledLine } from '../problem/compiledLine';
import { enteredOrder } from '../problem/precedence';

/** Above this many legs the assignment takes longer than it is worth: every leg then pays its cheapest opening. */
const MOST_ASSIGNED_LEGS = 400;

/** What opening setups costs at the least, whatever the order. Minutes. */
export interface Openings {
  /** To every setup, as `cheapestEntries` has it. */
  enter: Float64Array;
  /** What the first leg's start costs more (or less) than its cheapest opening, at the least. */
  firstExtra: number;
  /** All the changeovers of the line, the first start and the fetching of trays included. */
  total: number;
  /** The same by the cheapest opening of each leg alone; what it lacks is made up by more of what every session costs. */
  totalAlone: number;
  /** What every session but the first costs on top of `total`, and of `totalAlone`, since it begins with a start. */
  perSession: number;
  perSessionAlone: number;
  /** Legs that any order needs. */
  legs: number;
}

/**
 * Every used setup is opened at least as often as some chain of jobs that must follow each other comes back to it, and
 * the legs follow each other: the cheapest way to give every leg one before it and one behind it is a lower bound.
 */
export function cheapestOpenings(line: CompiledLine): Openings {
  const between = cheapestBetween(line);
  const used = [...new Set(line.jobSetup)];
  const enter = cheapestEntries(line, between);
  const legs = used.flatMap((setup) => Array<number>(legsAtLeast(line, setup)).fill(setup));
  const firstExtra = legs.reduce((least, setup) => Math.min(least, line.start[setup]! - enter[setup]!), Infinity);
  const eachAlone = legs.reduce((sum, setup) => sum + enter[setup]!, 0) + firstExtra;
  const fetches = fetchMinutes(line);
  const totalAlone = eachAlone + fetches + extraChanges(line, enter, legs.length);
  const perSessionAlone = used.reduce((least, setup) => Math.min(least, line.start[setup]! - enter[setup]!), Infinity);
  if (legs.length > MOST_ASSIGNED_LEGS)
    return { enter, firstExtra, total: totalAlone, totalAlone, perSession: perSessionAlone, perSessionAlone, legs: legs.length };
  const total = assigned(line, legs, between) + fetches;
  return { enter, firstExtra, total, totalAlone, perSession: leastRestart(line, used, between), perSessionAlone, legs: legs.length };
}

/** Every tray that is painted on must be taken up once. */
const fetchMinutes = (line: CompiledLine): number => [...new Set(line.jobTray)].reduce((sum, tray) => sum + line.trayFetch[tray]!, 0);

/**
 * Setups and trays that come together are taken up together at least once, by an opening, a fetch or both. The openings and
 * fetches that are needed anyway serve as many of such pairs at the most; each of the others costs its cheaper side.
 */
function extraChanges(line: CompiledLine, enter: Float64Array, legs: number): number {
  if (!line.fetches) return 0;
  const pairs = new Map<number, number>();
  line.jobSetup.forEach((setup, job) => {
    const tray = line.jobTray[job]!;
    pairs.set(setup * line.trayFetch.length + tray, Math.min(enter[setup]!, line.trayFetch[tray]!));
  });
  // The first job of the line is an opening and a fetch for one pair.
  const served = legs + new Set(line.jobTray).size - 1;
  return [...pairs.values()]
    .sort((a, b) => a - b)
    .slice(0, Math.max(0, pairs.size - served))
    .reduce((sum, minutes) => sum + minutes, 0);
}

/** What a start in a new session costs more than the changeover that it stands for, or than going on with the same setup. */
function leastRestart(line: CompiledLine, used: number[], between: Float64Array): number {
  let least = Infinity;
  for (const to of used) {
    least = Math.min(least, line.start[to]!);
    for (const from of used) if (from !== to) least = Math.min(least, line.start[to]! - between[from * line.setupCount + to]!);
  }
  return Math.max(0, least);
}

/** The least minutes to every setup: from another one, or from none in hand where a session may begin with it. */
export function cheapestEntries(line: CompiledLine, between = cheapestBetween(line)): Float64Array {
  const { setupCount } = line;
  const used = [...new Set(line.jobSetup)];
  const enter = new Float64Array(setupCount);
  for (let setup = 0; setup < setupCount; setup++) {
    let least = line.sessionFrom.length > 1 || used.length === 1 ? line.start[setup]! : Infinity;
    for (const other of used) if (other !== setup) least = Math.min(least, between[other * setupCount + setup]!);
    enter[setup] = least;
  }
  return enter;
}

function assigned(line: CompiledLine, legs: number[], between: Float64Array): number {
  // Row 0 is the start of the line, column 0 its end; the others are the legs.
  const n = legs.length + 1;
  const cost = new Float64Array(n * n).fill(Infinity);
  legs.forEach((to, column) => {
    cost[column + 1] = line.start[to]!;
    cost[(column + 1) * n] = 0;
    legs.forEach((from, row) => (cost[(row + 1) * n + column + 1] = between[from * line.setupCount + to]!));
  });
  return cheapestAssignment(cost, n);
}

/**
 * Least minutes from setup to setup with others in between where that is cheaper, also from one back to itself by way
 * of another. A leg that is left out of a sequence never makes it dearer by this measure.
 */
function cheapestBetween(line: CompiledLine): Float64Array {
  const { setupCount, start, changeover } = line;
  const used = [...new Set(line.jobSetup)];
  const between = changeover.slice();
  for (const from of used)
    for (const to of used) {
      const at = from * setupCount + to;
      if (from === to) between[at] = Infinity;
      else if (line.sessionFrom.length > 1) between[at] = Math.min(between[at]!, start[to]!);
    }
  for (const through of used)
    for (const from of used)
      for (const to of used) {
        const at = from * setupCount + to;
        between[at] = Math.min(between[at]!, between[from * setupCount + through]! + between[through * setupCount + to]!);
      }
  return between;
}

/** How many legs of a setup any order needs: the most runs of it, apart from each other, on one chain of predecessors. */
function legsAtLeast(line: CompiledLine, setup: number): number {
  const runs = new Int32Array(line.jobCount);
  let most = 0;
  for (const job of enteredOrder(line)) {
    let count = 0;
    const isOwn = line.jobSetup[job] === setup;
    for (const other of line.predecessors[job]!) {
      const opensAnew = isOwn && line.jobSetup[other] !== setup;
      count = Math.max(count, runs[other]! + (opensAnew ? 1 : 0));
    }
    runs[job] = isOwn ? Math.max(count, 1) : count;
    most = Math.max(most, runs[job]);
  }
  return most;
}
