import { BenchCalendar } from '../timing/BenchCalendar';
import type { CompiledLine } from '../problem/compiledLine';
import { DateBounds } from './dates';
import { headsAndTails } from './headsAndTails';
import { isEndless } from './sessions';
import { LineClock } from '../timing/LineClock';
import type { ToolCopy } from '../timing/ToolRack';
import { cheapestOpenings, type Openings } from './openings';

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

/** The first jobs of an order. Two begun orders of the same jobs differ only in what the rest can feel of them. */
interface Begun {
  before: Begun | null;
  job: number;
  placed: Uint32Array;
  /**
   * What the total has of it already, the time on the clock aside: broken preferences, lateness of the dates that are settled, legs, and,
   * where sessions part it from that time, changeover and waiting at the bench.
   */
  owed: number;
  /** Setup in hand. */
  held: number;
  /** No order that begins so has a smaller total. */
  bound: number;
  session: number;
  /** What the rest can feel: moments at which setups could be in hand, and ends of models that are waited for. */
  felt: Float64Array;
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

/** What is left to place after a begun order. */
interface Rest {
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

const STOP_CHECK = 32;
/** Rounding up to which one begun order counts as no worse than another. */
const ROUNDING = 1e-9;

/**
 * Branch and bound (Land and Doig 1960) with dominance (Ibaraki 1977), one job longer at a time: all begun orders of the same length side by side. One is dropped when its
 * bound is not below the best total known, or when another one of the same jobs leaves the rest at least as well off.
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
  private readonly isEndless: boolean;
  /** What a minute on the clock adds to the total; what one lost at the bench adds beyond that; and what every order has anyway. */
  private readonly perMinute: number;
  private readonly perLostMinute: number;
  private readonly handsOnCost: number;
  private readonly shortcuts: [from: number, to: number][];
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
    this.isEndless = isEndless(line);
    const { span, bench } = line.objective;
    // In one endless session every minute until the end is one at the bench.
    this.perMinute = this.isEndless ? span + bench : span;
    this.perLostMinute = this.isEndless ? 0 : bench;
    this.handsOnCost = this.perLostMinute * line.jobMinutes.reduce((sum, minutes) => sum + minutes, 0);
    this.shortcuts = this.isEndless ? [] : shortcutsBySession(line);
    this.isStraight = (this.isEndless || startsAreStraight(line)) && noDetourIsQuicker(line);
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
    const rest = this.restOf(begun.placed);
    for (const job of rest.next) {
      clock.branch(length);
      clock.place(job);
      if (clock.missing === 0) {
        const owed = begun.owed + this.brokenBy(begun.placed, job) + this.lateOf(begun.placed, job) + this.lostOn(begun, job);
        if (length + 1 === line.jobCount) this.finishOrder(job, owed);
        else {
          const bound = Math.max(begun.bound, this.boundOf(begun.placed, rest, job, owed));
          if (bound < this.bestCost - ROUNDING)
            longer.push({ before: begun, job, owed, bound, reached: this.perMinute * clock.time + owed });
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
    return this.perLostMinute * (prep + wait) + (held === this.line.jobSetup[job] ? 0 : this.line.objective.leg);
  }

  private costAt(time: number, owed: number): number {
    return this.perMinute * (time - this.line.sessionFrom[0]!) + this.handsOnCost + owed;
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
    const rest = this.restOf(placed);
    const copies = clock.tools.byLastUse().filter(({ tool }) => this.isToolWanted(tool, rest));
    const felt = this.feltBy(placed, copies);
    const begun: Begun = { before, job, placed, owed, held: line.jobSetup[job]!, bound, session: clock.session, felt };
    clock.drop();
    const key = keyOf(placed, copies);
    const others = sameJobs.get(key);
    if (!others) sameJobs.set(key, [begun]);
    else if (this.mayCompare(rest) && others.some((other) => this.isNoWorse(other, begun, rest))) return null;
    else others.push(begun);
    return begun;
  }

  private restOf(placed: Uint32Array): Rest {
    const { line, openings, dates } = this;
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

  /** The rest at the least: its work with every setup opened that is not in hand, and its longest way to the end. */
  private boundOf(placed: Uint32Array, rest: Rest, job: number, owedNow: number): number {
    const { line, clock, openings, tails, dates, earliest } = this;
    // The setup and the tray of the job are in hand now, so that the rest need not take them up, nor the job itself be done again.
    const setup = line.jobSetup[job]!;
    const tray = line.jobTray[job]!;
    const work = rest.work - line.jobMinutes[job]! - openings.enter[setup]! - line.trayFetch[tray]!;
    const changes = work - rest.handsOn + line.jobMinutes[job]!;
    const owed = owedNow + this.perLostMinute * changes + line.objective.leg * (rest.setups - 1);
    const benchTime = this.calendar.benchTime(clock.time, clock.session);
    let finish = this.calendar.momentOf(benchTime + work);
    earliest.fill(clock.time);
    const isLate = () => this.costAt(finish, owed) >= this.bestCost - ROUNDING;
    const look = (other: number) => {
      const { end, wait } = clock.peek(other);
      // Where a detour over another setup can be the quicker way, only a wait says when the job can end at the earliest.
      if (!this.isStraight && !(this.isEndless && wait > 0)) return;
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

  private mayCompare({ jobsOfSetup }: Rest): boolean {
    return !this.shortcuts.some(([from, to]) => jobsOfSetup[from]! > 0 && jobsOfSetup[to]! > 0);
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

  /** What a minute costs all the dates that are not settled. */
  private dearestLateness(open: number): number {
    const { dates, all } = this.dates;
    const { perMinuteLate, count } = this.line.due;
    if (open === 0 && count === dates.length) return 0;
    let minutes = 0;
    for (let date = 0; date < count; date++) {
      const bit = dates.indexOf(date);
      if (bit < 0 || (open & all & (1 << bit)) !== 0) minutes += perMinuteLate[date]!;
    }
    return minutes;
  }

  /** Does every rest that fits the second fit the first with no greater total? */
  private isNoWorse(first: Begun, second: Begun, { open, jobsOfSetup }: Rest): boolean {
    // The second goes on with what it has in hand without another leg.
    const leg = first.held !== second.held && jobsOfSetup[second.held]! > 0 ? this.line.objective.leg : 0;
    const spared = second.owed - first.owed - leg;
    if (!this.isEndless && (spared < 0 || first.session > second.session)) return false;
    if (this.shortcuts.length > 0 && first.session !== second.session) return false;
    // To be ready sooner can be to wait at the bench where the other goes home: only the same is no worse.
    if (this.perLostMinute > 0) return first.session === second.session && first.felt.every((at, index) => at === second.felt[index]);
    // Without sessions, all that follows is at most so much later as what it can feel, and so is each date not settled yet.
    const mayBeLater = this.isEndless ? spared / (this.perMinute + this.dearestLateness(open)) + ROUNDING : 0;
    const length = first.felt.length;
    for (let index = 0; index < length; index++) if (first.felt[index]! - second.felt[index]! > mayBeLater) return false;
    return true;
  }
}

/** Begun orders are compared only with those of the same jobs and, for each tool still wanted, the same setups on its copies. */
function keyOf(placed: Uint32Array, copies: ToolCopy[]): string {
  const set = String.fromCharCode(...new Uint16Array(placed.buffer));
  return copies.length === 0 ? set : `${set}|${copies.map(({ setup, copy }) => `${setup}/${copy}`).join()}`;
}

const has = (set: Uint32Array, job: number) => ((set[job >> 5]! >>> (job & 31)) & 1) === 1;

/**
 * Pairs of setups where starting the second afresh costs more than starting the first, painting a model with it and
 * changing over. With such a pair among what is left it can pay to be so late that a session is missed; without one,
 * being earlier is never worse.
 */
function shortcutsBySession(line: CompiledLine): [from: number, to: number][] {
  const { start, changeover, setupCount } = line;
  const quickestModel = new Float64Array(setupCount).fill(Infinity);
  line.jobSetup.forEach((setup, job) => {
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++)
      quickestModel[setup] = Math.min(quickestModel[setup]!, line.cellMinutes[cell]!);
  });
  const pairs: [number, number][] = [];
  for (let from = 0; from < setupCount; from++)
    for (let to = 0; to < setupCount; to++)
      if (start[to]! > start[from]! + quickestModel[from]! + changeover[from * setupCount + to]!) pairs.push([from, to]);
  return pairs;
}

function startsAreStraight({ start, changeover, setupCount }: CompiledLine): boolean {
  return start.every((minutes, to) => start.every((other, from) => minutes <= other + changeover[from * setupCount + to]!));
}

function noDetourIsQuicker({ changeover, setupCount }: CompiledLine): boolean {
  for (let from = 0; from < setupCount; from++)
    for (let through = 0; through < setupCount; through++)
      for (let to = 0; to < setupCount; to++) {
        const detour = changeover[from * setupCount + through]! + changeover[through * setupCount + to]!;
        if (changeover[from * setupCount + to]! > detour) return false;
      }
  return true;
}
