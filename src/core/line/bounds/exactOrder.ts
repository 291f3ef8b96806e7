import { BenchCalendar } from '../timing/BenchCalendar';
import type { CompiledLine } from '../problem/compiledLine';
import { has, keyOf, type Begun } from './begunOrder';
import { DateBounds } from './dates';
import { Dominance } from './Dominance';
import { headsAndTails } from './headsAndTails';
import { minuteCosts, type MinuteCosts } from './minuteCosts';
import { LineClock } from '../timing/LineClock';
import type { ToolCopy } from '../timing/ToolRack';
import { cheapestOpenings, type Openings } from './openings';
import { restOfOrder, type Rest } from './restOfOrder';
import { isStraight } from './straight';

export interface ExactLimits {
  /** Begun orders kept at every length. */
  width: number;
  shouldStop?: () => boolean;
}

export interface ExactAnswer {
  /** A better order than the one given, or null. */
  order: Int32Array | null;
  cost: number;
  /** No order has a smaller total than this; equal to the best total known when nothing had to be left out. */
  bound: number;
  /** Was every order looked at or ruled out? */
  isComplete: boolean;
}

/** A begun order with one more job, not yet looked at closely. */
interface Longer {
  before: Begun;
  job: number;
  owed: number;
  bound: number;
  /** What the total has so far; of equal bounds the least is the most promising. */
  reached: number;
}

const STOP_CHECK = 32;
/** Rounding up to which one total counts as no better than another. */
const ROUNDING = 1e-9;

/**
 * Branch and bound (Land and Doig 1960) with dominance, one job longer at a time: all begun orders of the same length side by side. One
 * is dropped when its bound is not below the best total known, or when another one of the same jobs leaves the rest at least as well off.
 * When more are left than `width`, those with the largest bounds are left out, and the answer is a good order and a
 * bound, but no proof.
 */
export function exactOrder(line: CompiledLine, bestCost: number, limits: ExactLimits): ExactAnswer {
  return new ExactSearch(line, bestCost, limits).run();
}

class ExactSearch {
  private readonly clock: LineClock;
  private readonly calendar: BenchCalendar;
  private readonly openings: Openings;
  private readonly tails: Float64Array;
  private readonly dates: DateBounds;
  private readonly earliest: Float64Array;
  private readonly words: number;
  private readonly entries: { then: Int32Array[]; first: Int32Array; cost: Float64Array };
  private readonly costs: MinuteCosts;
  /** What the hands-on minutes add to the total of every order. */
  private readonly handsOnCost: number;
  private readonly dominance: Dominance;
  private readonly isStraight: boolean;
  private readonly path: Int32Array;
  private bestOrder: Int32Array | null = null;
  private leftOut = Infinity;

  constructor(
    private readonly line: CompiledLine,
    private bestCost: number,
    private readonly limits: ExactLimits,
  ) {
    this.clock = new LineClock(line);
    this.calendar = new BenchCalendar(line);
    this.openings = cheapestOpenings(line);
    this.tails = headsAndTails(line, this.openings).tails;
    this.dates = new DateBounds(line);
    this.earliest = new Float64Array(this.dates.dates.length);
    this.words = (line.jobCount + 31) >> 5;
    const then: number[][] = Array.from({ length: line.jobCount }, () => []);
    line.preferThen.forEach((job, entry) => then[job]!.push(entry));
    this.entries = { then: then.map((list) => Int32Array.from(list)), first: line.preferFirst, cost: line.preferCost };
    this.costs = minuteCosts(line);
    this.handsOnCost = this.costs.perLostMinute * line.jobMinutes.reduce((sum, minutes) => sum + minutes, 0);
    this.dominance = new Dominance(line, this.dates, this.costs);
    this.isStraight = isStraight(line, this.costs.isEndless);
    this.path = new Int32Array(line.jobCount);
  }

  run(): ExactAnswer {
    const { line } = this;
    let layer: Begun[] = [
      { before: null, job: -1, placed: new Uint32Array(this.words), owed: 0, held: -1, bound: 0, session: 0, felt: new Float64Array(0) },
    ];
    for (let length = 0; length < line.jobCount && layer.length > 0; length++) {
      const longer: Longer[] = [];
      for (const [index, begun] of layer.entries()) {
        if (index % STOP_CHECK === 0 && this.limits.shouldStop?.()) {
          for (const left of [...layer.slice(index), ...longer]) this.leftOut = Math.min(this.leftOut, left.bound);
          return this.answer();
        }
        if (begun.bound < this.bestCost - ROUNDING) this.expand(begun, length, longer);
      }
      layer = this.narrow(longer, length + 1);
    }
    return this.answer();
  }

  private answer(): ExactAnswer {
    return {
      order: this.bestOrder,
      cost: this.bestCost,
      bound: Math.min(this.leftOut, this.bestCost),
      isComplete: this.leftOut >= this.bestCost - ROUNDING,
    };
  }

  /** All that one more job can make of a begun order, with their bounds. */
  private expand(begun: Begun, length: number, longer: Longer[]): void {
    const { clock, line } = this;
    this.replay(begun, length);
    const rest = restOfOrder(line, this.openings, this.dates, begun.placed);
    for (const job of rest.next) {
      clock.branch(length);
      clock.place(job);
      if (clock.missing === 0) {
        const owed = begun.owed + this.brokenBy(begun.placed, job) + this.lateOf(begun.placed, job) + this.lostOn(begun, job);
        if (length + 1 === line.jobCount) this.finishOrder(job, owed);
        else {
          const bound = Math.max(begun.bound, this.boundOf(begun.placed, rest, job, owed));
          if (bound < this.bestCost - ROUNDING)
            longer.push({ before: begun, job, owed, bound, reached: this.costs.perMinute * clock.time + owed });
        }
      }
      clock.drop();
    }
  }

  private replay(begun: Begun, length: number): void {
    const { clock, path } = this;
    for (let at: Begun = begun, place = length - 1; place >= 0; place--) {
      path[place] = at.job;
      at = at.before!;
    }
    clock.restart();
    for (let place = 0; place < length; place++) clock.place(path[place]!);
    clock.keep();
  }

  private brokenBy(placed: Uint32Array, job: number): number {
    const { entries } = this;
    let broken = 0;
    for (const entry of entries.then[job]!) if (!has(placed, entries.first[entry]!)) broken += entries.cost[entry]!;
    return broken;
  }

  /** What the job that was placed last adds for its leg, and for what it took at the bench beyond the work. */
  private lostOn({ held }: Begun, job: number): number {
    const { prep, wait } = this.clock.timing;
    return this.costs.perLostMinute * (prep + wait) + (held === this.line.jobSetup[job] ? 0 : this.line.objective.leg);
  }

  private costAt(time: number, owed: number): number {
    return this.costs.perMinute * (time - this.line.sessionFrom[0]!) + this.handsOnCost + owed;
  }

  /** Lateness of the dates that the job, placed last, has settled. */
  private lateOf(placed: Uint32Array, job: number): number {
    const { due } = this.line;
    let late = 0;
    for (const date of due.ofJob[job]!)
      if (due.jobs[date]!.every((other) => other === job || has(placed, other)))
        late += due.perMinuteLate[date]! * Math.max(0, this.clock.time - due.at[date]!);
    return late;
  }

  private finishOrder(job: number, owed: number): void {
    const cost = this.costAt(this.clock.time, owed);
    if (cost >= this.bestCost - ROUNDING) return;
    this.bestCost = cost;
    this.path[this.path.length - 1] = job;
    this.bestOrder = this.path.slice();
  }

  /** The most promising of them, one after the other, less those that another one rules out. */
  private narrow(longer: Longer[], length: number): Begun[] {
    longer.sort((a, b) => a.bound - b.bound || a.reached - b.reached);
    const kept: Begun[] = [];
    const sameJobs = new Map<string, Begun[]>();
    for (const [index, candidate] of longer.entries()) {
      if (candidate.bound >= this.bestCost - ROUNDING) break;
      if (kept.length === this.limits.width || (index % STOP_CHECK === 0 && this.limits.shouldStop?.())) {
        this.leftOut = Math.min(this.leftOut, candidate.bound);
        break;
      }
      const begun = this.take(candidate, length, sameJobs);
      if (begun) kept.push(begun);
    }
    return kept;
  }

  /** The candidate as a begun order, or null when another one of the same jobs leaves the rest at least as well off. */
  private take({ before, job, owed, bound }: Longer, length: number, sameJobs: Map<string, Begun[]>): Begun | null {
    const { clock, line } = this;
    const placed = before.placed.slice();
    placed[job >> 5]! |= 1 << (job & 31);
    this.replay(before, length - 1);
    clock.branch(length - 1);
    clock.place(job);
    const rest = restOfOrder(line, this.openings, this.dates, placed);
    const copies = clock.tools.byLastUse().filter(({ tool }) => this.isToolWanted(tool, rest));
    const felt = this.feltBy(placed, copies);
    const begun: Begun = { before, job, placed, owed, held: line.jobSetup[job]!, bound, session: clock.session, felt };
    clock.drop();
    const key = keyOf(placed, copies);
    const others = sameJobs.get(key);
    if (!others) sameJobs.set(key, [begun]);
    else if (this.dominance.mayCompare(rest) && others.some((other) => this.dominance.isNoWorse(other, begun, rest))) return null;
    else others.push(begun);
    return begun;
  }

  /** The rest at the least: its work with every setup opened that is not in hand, and its longest way to the end. */
  private boundOf(placed: Uint32Array, rest: Rest, job: number, owedNow: number): number {
    const { line, clock, openings, tails, dates, earliest } = this;
    // The setup and the tray of the job are in hand now, so that the rest need not take them up, nor the job itself be done again.
    const setup = line.jobSetup[job]!;
    const tray = line.jobTray[job]!;
    const work = rest.work - line.jobMinutes[job]! - openings.enter[setup]! - line.trayFetch[tray]!;
    const changes = work - rest.handsOn + line.jobMinutes[job]!;
    const owed = owedNow + this.costs.perLostMinute * changes + line.objective.leg * (rest.setups - 1);
    const benchTime = this.calendar.benchTime(clock.time, clock.session);
    let finish = this.calendar.momentOf(benchTime + work);
    earliest.fill(clock.time);
    const isLate = () => this.costAt(finish, owed) >= this.bestCost - ROUNDING;
    const look = (other: number) => {
      const { end, wait } = clock.peek(other);
      // Where a detour over another setup can be the quicker way, only a wait says when the job can end at the earliest.
      if (!this.isStraight && !(this.costs.isEndless && wait > 0)) return;
      finish = Math.max(finish, end + tails[other]!);
      for (let bit = 0; bit < earliest.length; bit++) earliest[bit] = Math.max(earliest[bit]!, end + dates.tail(bit, other));
    };
    for (const other of rest.next) {
      if (isLate()) return Infinity;
      if (other !== job) look(other);
    }
    for (const other of line.successors[job]!)
      if (line.predecessors[other]!.every((each) => each === job || has(placed, each))) look(other);
    if (rest.open === 0 || isLate()) return this.costAt(finish, owed);
    const open = rest.open & dates.openAfter((each) => each === job || has(placed, each));
    const needed = dates.neededFor[job]!;
    const settledAt = (set: number) => {
      let left = rest.workOfSets[set]!;
      if (needed & set) left -= line.jobMinutes[job]!;
      if (rest.setupSets[setup]! & set) left -= openings.enter[setup]!;
      if (rest.traySets[tray]! & set) left -= line.trayFetch[tray]!;
      return this.calendar.momentOf(benchTime + left);
    };
    return this.costAt(finish, owed) + dates.leastLate(open, settledAt, earliest);
  }

  private isToolWanted(tool: number, { jobsOfSetup }: Rest): boolean {
    return this.line.setupTool.some((each, setup) => each === tool && jobsOfSetup[setup]! > 0);
  }

  private feltBy(placed: Uint32Array, copies: ToolCopy[]): Float64Array {
    const { line, clock } = this;
    const felt: number[] = [];
    const felts = new Uint8Array(line.fetches ? 0 : line.setupCount);
    for (let other = 0; other < line.jobCount; other++) {
      if (!has(placed, other)) {
        // Without fetching, one job of each setup speaks for all of them.
        if (!felts[line.jobSetup[other]!]) felt.push(clock.time + clock.prepFor(other));
        if (!line.fetches) felts[line.jobSetup[other]!] = 1;
        continue;
      }
      const lag = this.longestLagLeft(other, placed);
      if (lag < 0) continue;
      // What is dry by now is felt no more, since when does not matter.
      const dry = clock.time - lag;
      for (let cell = line.cellStart[other]!; cell < line.cellStart[other + 1]!; cell++)
        felt.push(Math.max(clock.cellEnd(other, cell), dry));
    }
    for (const copy of copies) felt.push(Math.max(copy.end, clock.time - copy.rest));
    return Float64Array.from(felt);
  }

  /** The longest that a job not yet placed may have to wait after this one; -1 when none does. */
  private longestLagLeft(job: number, placed: Uint32Array): number {
    const { line } = this;
    let longest = -1;
    for (const other of line.successors[job]!) {
      if (has(placed, other)) continue;
      for (let edge = line.edgeStart[other]!; edge < line.edgeStart[other + 1]!; edge++)
        if (line.edgeJob[edge] === job) longest = Math.max(longest, line.edgeLag[edge]!);
    }
    const handle = line.jobHandle[job]!;
    if (handle > longest && line.trayJobs[line.jobTray[job]!]!.some((other) => !has(placed, other))) longest = handle;
    return longest;
  }
}
