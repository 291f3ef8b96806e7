import type { CompiledLine } from '../problem/compiledLine';
import { isBoundAt } from '../problem/wishes';

/** A run of jobs, places `from` to `end` (not included), that goes before the job at place `to`. */
export interface RunMove {
  from: number;
  end: number;
  to: number;
}

/** Shares of the kinds of moves, the rest moves runs of some jobs. Measured with `npm run bench:line`. */
const SINGLE = 0.25;
const JOIN_SETUP = 0.4;
const LEG = 0.2;
/** Where there are dates, so many of all moves bring forward a stretch of what one of them needs. */
const BRING_FORWARD = 0.1;
const LONGEST_RUN = 8;
const NEAR_SHARE = 0.5;
const NEAR = 12;

/** Draws moves of an order that keep every predecessor first, and neighbours that wishes bind. */
export class OrderMoves {
  readonly move: RunMove = { from: 0, end: 0, to: 0 };
  private readonly sameSetup: number[][];
  /** For each date, 1 for the jobs that it needs: its own and all before them. */
  private readonly neededFor: Uint8Array[];
  private low = 0;
  private high = 0;

  constructor(
    private readonly line: CompiledLine,
    private readonly order: Int32Array,
    private readonly position: Int32Array,
    private readonly random: () => number,
  ) {
    this.sameSetup = Array.from({ length: line.setupCount }, () => []);
    line.jobSetup.forEach((setup, job) => this.sameSetup[setup]!.push(job));
    this.neededFor = line.due.jobs.map((jobs) => neededBy(line, jobs));
  }

  /** Draws a move into `move`; false when the one drawn is not allowed. */
  draw(): boolean {
    const n = this.order.length;
    if (this.neededFor.length > 0 && this.random() < BRING_FORWARD) return this.bringForward();
    const kind = this.random();
    const at = this.below(n);
    if (kind < SINGLE) return this.anywhere(at, at + 1);
    if (kind < SINGLE + JOIN_SETUP) return this.joinSetup(at);
    if (kind < SINGLE + JOIN_SETUP + LEG) return this.moveLeg(at);
    return this.anywhere(at, Math.min(n, at + 2 + this.below(LONGEST_RUN - 1)));
  }

  /** Moves the jobs of one date that stand together, or the first of them, to an earlier place. */
  private bringForward(): boolean {
    const { order } = this;
    const needed = this.neededFor[this.below(this.neededFor.length)]!;
    let first = this.below(order.length);
    if (!needed[order[first]!]) return false;
    let last = first + 1;
    while (first > 0 && needed[order[first - 1]!]) first--;
    while (last < order.length && needed[order[last]!]) last++;
    if (this.random() < 0.5) last = first + 1 + this.below(last - first);
    const { from, end } = this.withNeighbours(first, last);
    this.findPlaces(from, end);
    const places = from - this.low;
    return places > 0 && this.set(from, end, this.low + this.below(places));
  }

  /** The places that a run may go before without breaking anything, its own aside. */
  placesOf(from: number, end: number): number[] {
    this.findPlaces(from, end);
    const places: number[] = [];
    for (let to = this.low; to <= this.high; to++) if (this.isAllowed(from, end, to)) places.push(to);
    return places;
  }

  private below(limit: number): number {
    return Math.floor(this.random() * limit);
  }

  /** Moves the run to one of the places it may have, every other time to a near one. */
  private anywhere(first: number, last: number): boolean {
    const { from, end } = this.withNeighbours(first, last);
    this.findPlaces(from, end);
    if (this.random() < NEAR_SHARE) {
      this.low = Math.max(this.low, from - NEAR);
      this.high = Math.min(this.high, end + NEAR);
    }
    const places = from - this.low + (this.high - end);
    if (places === 0) return false;
    const drawn = this.low + this.below(places);
    return this.set(from, end, drawn < from ? drawn : drawn - from + end + 1);
  }

  /** Moves the whole leg that a job stands in, next to another leg of its setup or anywhere. */
  private moveLeg(at: number): boolean {
    const { order, line } = this;
    const setup = line.jobSetup[order[at]!]!;
    let from = at;
    let end = at + 1;
    while (from > 0 && line.jobSetup[order[from - 1]!] === setup) from--;
    while (end < order.length && line.jobSetup[order[end]!] === setup) end++;
    return this.anywhere(from, end);
  }

  /** Moves a job, alone or with those of its leg behind it, right before or behind another one of its setup. */
  private joinSetup(at: number): boolean {
    const { order, line, position } = this;
    const setup = line.jobSetup[order[at]!]!;
    const mates = this.sameSetup[setup]!;
    if (mates.length < 2) return false;
    const target = position[mates[this.below(mates.length)]!]! + (this.random() < 0.5 ? 0 : 1);
    let last = at + 1;
    if (this.random() < 0.5) while (last < order.length && line.jobSetup[order[last]!] === setup) last++;
    const { from, end } = this.withNeighbours(at, last);
    this.findPlaces(from, end);
    return this.set(from, end, target);
  }

  /** The run with the neighbours that it may not leave; now and then those that only stand together change places. */
  private withNeighbours(first: number, last: number): { from: number; end: number } {
    const { line, order } = this;
    if (!line.wishes.bind) return { from: first, end: last };
    const inside = line.wishes.together[order[first]!]! >= 0 && this.random() < 0.5;
    let from = first;
    let end = last;
    while (from > 0 && isBoundAt(line, order, from, inside)) from--;
    while (end < order.length && isBoundAt(line, order, end, inside)) end++;
    return { from, end };
  }

  private isAllowed(from: number, end: number, to: number): boolean {
    if (to < this.low || to > this.high || (to >= from && to <= end)) return false;
    const { line, order } = this;
    if (!line.wishes.bind) return true;
    const { together } = line.wishes;
    const group = together[order[Math.min(from, to)]!]!;
    const inside = group >= 0 && together[order[Math.max(end, to) - 1]!] === group;
    return !isBoundAt(line, order, from, inside) && !isBoundAt(line, order, end, inside) && !isBoundAt(line, order, to, inside);
  }

  private set(from: number, end: number, to: number): boolean {
    if (!this.isAllowed(from, end, to)) return false;
    this.move.from = from;
    this.move.end = end;
    this.move.to = to;
    return true;
  }

  private findPlaces(from: number, end: number): void {
    const { order, position, line } = this;
    let low = 0;
    let high = order.length;
    for (let place = from; place < end; place++) {
      const job = order[place]!;
      for (const other of line.predecessors[job]!) {
        const at = position[other]! + 1;
        if (at <= from && at > low) low = at;
      }
      for (const other of line.successors[job]!) {
        const at = position[other]!;
        if (at >= end && at < high) high = at;
      }
    }
    this.low = low;
    this.high = high;
  }
}

function neededBy(line: CompiledLine, jobs: Int32Array): Uint8Array {
  const needed = new Uint8Array(line.jobCount);
  const open = [...jobs];
  for (let job = open.pop(); job !== undefined; job = open.pop()) {
    if (needed[job]) continue;
    needed[job] = 1;
    open.push(...line.predecessors[job]!);
  }
  return needed;
}
