import type { CompiledLine } from '../problem/compiledLine';
import type { LineTotals } from '../definitions';
import { moveRun } from '../search/moveRun';
import { cheapestEntries } from '../bounds/openings';
import { placesFor } from './places';
import { timeOrder, type TimedOrder } from '../timing/timeOrder';

/** Why a job stands where it does; jobs by id, minutes. */
export interface PlaceReason {
  /** The best of its other places: directly behind `behind` (null: at the start), and what would change there. */
  bestOther: {
    behind: string | null;
    total: number;
    finish: number;
    changeover: number;
    wait: number;
    touchUp: number;
    late: number;
    against: number;
  } | null;
  /** The last job before it that it waits for, and the first one behind it that waits for it. */
  heldBy: string | null;
  holds: string | null;
  /** It is done while `of` dries for `before`, which would have to wait so much longer without it. */
  fills: { of: string; before: string; minutes: number } | null;
  /** A neighbour with the same setup, and the changeover that standing next to it saves at the least. */
  shares: { with: string; minutes: number } | null;
}

/** Works out why the job at a place of an order stands there. The order must fit the sessions. */
export function explainPlace(line: CompiledLine, order: Int32Array, place: number): PlaceReason {
  const timed = timeOrder(line, order);
  if (!timed.fits) throw new Error('explainPlace: the sessions do not hold this order');
  const idAt = (at: number) => line.problem.jobs[order[at]!]!.id;
  const places = new Map(Array.from(order, (job, at) => [job, at]));
  const job = order[place]!;
  const before = Math.max(-1, ...Array.from(line.predecessors[job]!, (other) => places.get(other)!));
  const behind = Math.min(order.length, ...Array.from(line.successors[job]!, (other) => places.get(other)!));
  return {
    bestOther: bestOther(line, order, place, timed.totals),
    heldBy: before < 0 ? null : idAt(before),
    holds: behind === order.length ? null : idAt(behind),
    fills: drying(line, order, place, timed),
    shares: sharedChangeover(line, order, place),
  };
}

function bestOther(line: CompiledLine, order: Int32Array, place: number, now: LineTotals): PlaceReason['bestOther'] {
  let best: { to: number; minutes: number } | null = null;
  for (const other of placesFor(line, order, place, place + 1)) if (!best || other.minutes < best.minutes) best = other;
  if (!best) return null;
  const moved = order.slice();
  moveRun(moved, place, place + 1, best.to);
  const timed = timeOrder(line, moved);
  if (!timed.fits) return null;
  const at = moved.indexOf(order[place]!);
  return {
    behind: at === 0 ? null : line.problem.jobs[moved[at - 1]!]!.id,
    total: timed.totals.total - now.total,
    finish: timed.totals.finish - now.finish,
    changeover: timed.totals.changeover - now.changeover,
    wait: timed.totals.wait - now.wait,
    touchUp: timed.totals.touchUp - now.touchUp,
    late: timed.totals.late - now.late,
    against: timed.totals.against - now.against,
  };
}

/** The drying that most of the job's time is made of: another job before it that one behind it waits for. */
function drying(line: CompiledLine, order: Int32Array, place: number, timed: TimedOrder): PlaceReason['fills'] {
  const here = timed.jobs[place]!;
  const spent = here.end - here.begin + here.prep;
  const placeOf = new Int32Array(order.length);
  order.forEach((job, at) => (placeOf[job] = at));
  let best: PlaceReason['fills'] = null;
  for (let at = place + 1; at < order.length; at++) {
    const later = order[at]!;
    for (let edge = line.edgeStart[later]!; edge < line.edgeStart[later + 1]!; edge++) {
      const other = line.edgeJob[edge]!;
      if (placeOf[other]! >= place) continue;
      const couldBegin = timed.jobs[at]!.begin - spent;
      const minutes = Math.min(spent, readyAt(line, later, edge, timed.cellEnds) - couldBegin);
      if (minutes > (best?.minutes ?? SMALLEST_FILL)) best = { of: timed.jobs[placeOf[other]!]!.id, before: timed.jobs[at]!.id, minutes };
    }
    // The next job to wait for anything is felt first; what comes behind it is felt through it.
    if (best) return best;
  }
  return best;
}

/** Less drying than this is not worth a word. */
const SMALLEST_FILL = 0.5;

/** When a job could begin and run without a stop, as far as one of its predecessors goes. */
function readyAt(line: CompiledLine, job: number, edge: number, cellEnds: Float64Array): number {
  const other = line.edgeJob[edge]!;
  const lag = line.edgeLag[edge]!;
  if (line.edgeWholeTray[edge]) return cellEnds[line.cellStart[other + 1]! - 1]! + lag;
  let ready = -Infinity;
  const first = line.cellStart[job]!;
  for (let cell = first; cell < line.cellStart[job + 1]!; cell++) {
    const waitedFor = line.edgeCell[line.edgeCellStart[edge]! + cell - first]!;
    if (waitedFor >= 0) ready = Math.max(ready, cellEnds[waitedFor]! + lag - line.cellSum[cell]! + line.cellMinutes[cell]!);
  }
  return ready;
}

function sharedChangeover(line: CompiledLine, order: Int32Array, place: number): PlaceReason['shares'] {
  const setup = line.jobSetup[order[place]!]!;
  const neighbour = [place - 1, place + 1].find((at) => at >= 0 && at < order.length && line.jobSetup[order[at]!] === setup);
  if (neighbour === undefined) return null;
  return { with: line.problem.jobs[order[neighbour]!]!.id, minutes: cheapestEntries(line)[setup]! };
}
