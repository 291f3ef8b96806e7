import { BenchCalendar } from '../timing/BenchCalendar';
import type { CompiledLine } from '../problem/compiledLine';
import type { OrderChange } from '../definitions';
import { Lateness } from './Lateness';
import { moveRun, placeBeforeMove } from './moveRun';
import { Preferences, type BrokenPreferences } from './Preferences';
import { LineClock } from '../timing/LineClock';
import { positionsOf } from '../timing/timeOrder';
import { wishMinutes } from '../problem/wishes';

/** A day's worth of minutes a plan that does not fit is charged for every minute missing, so that a search leaves it. */
const MISSING_PENALTY = 1440;
/** A hundred minutes of bench time weigh as much as 1e-6 of total, the precision orders are compared to. */
const BENCH_TIE_WEIGHT = 1e-8;

/** Slack in a comparison of bench times, above the rounding that the sessions allow. */
const ROUNDING = 1e-6;

/**
 * Holds one order and judges what moving a run of jobs would cost. Only what follows the first changed place is timed
 * again; the judging ends as soon as hands-on work and changeovers alone show that the move costs more than the limit,
 * or as soon as the rest of the order goes as it did before. The cost is the total with what the wishes add, ties
 * broken by the bench time.
 */
export class OrderJudge {
  readonly order: Int32Array;
  readonly position: Int32Array;
  cost = Infinity;
  readonly clock: LineClock;
  private readonly kept: Judged = { finish: 0, touchUp: 0, broken: 0, legs: 0, lost: 0 };
  private readonly lateness: Lateness;
  /** Minutes of work and changeovers from each place of the order on, its own changeover included. */
  private readonly workFrom: Float64Array;
  /** Minutes at the bench up to each place of the order, waiting included. */
  private readonly spentTo: Float64Array;
  private readonly handsOn: number;
  /** Does more than the end count? */
  private readonly isWeighed: boolean;
  /** Least minutes from a setup (last row: none in hand) to another one, within a session or over its end. */
  private readonly entry: Float64Array;
  private readonly calendar: BenchCalendar;
  private readonly preferences: Preferences;
  private readonly change: BrokenPreferences = { touchUp: 0, broken: 0 };
  private move = { from: 0, end: 0, to: 0, touchUp: 0, broken: 0, legs: 0, late: 0, lost: 0, finish: 0, cost: Infinity };

  constructor(readonly line: CompiledLine) {
    const { jobCount, setupCount, sessionFrom } = line;
    this.clock = new LineClock(line);
    this.order = new Int32Array(jobCount);
    this.position = new Int32Array(jobCount);
    this.workFrom = new Float64Array(jobCount + 1);
    this.spentTo = new Float64Array(jobCount + 1);
    this.handsOn = line.jobMinutes.reduce((sum, minutes) => sum + minutes, 0);
    this.isWeighed = line.problem.weights !== undefined;
    this.entry = new Float64Array((setupCount + 1) * setupCount);
    for (let from = 0; from < setupCount; from++)
      for (let to = 0; to < setupCount; to++) {
        const minutes = line.changeover[from * setupCount + to]!;
        this.entry[from * setupCount + to] = sessionFrom.length > 1 ? Math.min(minutes, line.start[to]!) : minutes;
      }
    this.entry.set(line.start, setupCount * setupCount);
    this.calendar = new BenchCalendar(line);
    this.preferences = new Preferences(line);
    this.lateness = new Lateness(line, this.clock);
  }

  /** Minutes that lateness adds to the order. */
  get late(): number {
    return this.lateness.total;
  }

  /** Takes an order as it is and returns its cost. */
  take(order: ArrayLike<number>): number {
    const { clock, line } = this;
    this.order.set(order);
    positionsOf(order, this.position);
    clock.restart();
    this.kept.lost = 0;
    for (let place = 0; place < order.length; place++) {
      clock.place(order[place]!);
      this.kept.lost += clock.lostOn(order[place]!);
    }
    clock.keep();
    Object.assign(this.kept, this.preferences.of(this.position));
    this.kept.legs = legsOf(line, order);
    this.kept.finish = clock.time;
    this.lateness.take(this.order);
    this.sumWork(order.length);
    this.sumSpent(0);
    const wished = line.wishes.cost
      ? wishMinutes(
          line,
          (place) => order[place]!,
          (job) => clock.endOf(job),
        )
      : 0;
    return (this.cost = wished + this.costOf(this.kept, this.lateness.total, clock.missing));
  }

  /**
   * Cost of the order with the jobs at places `from` to `end` (not included) moved to before the job at place `to`,
   * or Infinity once it is certain to be above the limit. The move must keep predecessors first.
   */
  judge(from: number, end: number, to: number, limit: number): number {
    const { clock, order, workFrom, lateness } = this;
    const low = Math.min(from, to);
    const high = Math.max(end, to);
    const { move, change } = this;
    move.from = from;
    move.end = end;
    move.to = to;
    this.preferences.changeBy(order, this.position, move, change);
    move.touchUp = this.kept.touchUp + change.touchUp;
    move.broken = this.kept.broken + change.broken;
    move.legs = this.isWeighed ? this.kept.legs + this.legChange(from, end, to) : this.kept.legs;
    // What is settled before anything is timed.
    const left = limit - move.broken - this.line.objective.leg * move.legs;
    lateness.begin(low, high, (place) => order[placeBeforeMove(place, from, end, to)]!);
    let latest = this.latestBenchTime(left - lateness.known);
    let spent = this.spentTo[low]!;
    clock.branch(low);
    let work = workFrom[low]! + this.changeoverChange(from, end, to);
    if (this.isBeyond(work, spent, latest, left)) return Infinity;
    let lost = this.kept.lost;
    let influence = 0;
    for (let place = low; place < order.length; place++) {
      const isMoved = place < high;
      const job = order[isMoved ? placeBeforeMove(place, from, end, to) : place]!;
      work = isMoved ? work - this.leastMinutes(job) : workFrom[place + 1]!;
      clock.place(job);
      if (this.isWeighed) spent += this.line.jobMinutes[job]! + clock.lostOn(job);
      if (lateness.place(job)) latest = this.latestBenchTime(left - lateness.known);
      if (this.isBeyond(work, spent, latest, left)) return Infinity;
      lost += clock.lostOn(job) - clock.keptLostOn(job);
      influence = Math.max(influence, Math.max(clock.endOf(job), clock.keptEndOf(job)) + this.line.jobLongestLag[job]!);
      // All that was timed anew is dry and the clock is where it was: the rest of the order goes as it did.
      if (!isMoved && influence <= clock.time && clock.isAsAfter(job)) return this.remember(lost, this.kept.finish, 0);
    }
    return this.remember(lost, clock.time, clock.missing);
  }

  /** What the move that was judged last changes; it must not have been given up. */
  get judgedChange(): OrderChange {
    const { move } = this;
    return {
      bench: move.lost + move.touchUp - this.kept.lost - this.kept.touchUp,
      finish: move.finish - this.kept.finish,
      late: move.late - this.lateness.total,
    };
  }

  /** Makes the move that was judged last, which must not have been given up. */
  accept(): void {
    const { from, end, to } = this.move;
    const low = Math.min(from, to);
    const high = Math.max(end, to);
    moveRun(this.order, from, end, to);
    for (let place = low; place < high; place++) this.position[this.order[place]!] = place;
    this.clock.keep();
    this.lateness.keep(low, high, this.position);
    const { finish, touchUp, broken, legs, lost, cost } = this.move;
    Object.assign(this.kept, { finish, touchUp, broken, legs, lost });
    this.cost = cost;
    this.sumWork(high);
    this.sumSpent(low);
  }

  /** Forgets the move that was judged last. */
  reject(): void {
    this.clock.drop();
  }

  private remember(lost: number, finish: number, missing: number): number {
    const { move } = this;
    const { from, end, to } = move;
    move.late = this.lateness.complete();
    move.lost = lost;
    move.finish = finish;
    const { line, clock, order } = this;
    const wished = line.wishes.cost
      ? wishMinutes(
          line,
          (place) => order[placeBeforeMove(place, from, end, to)]!,
          (job) => clock.endOf(job),
        )
      : 0;
    return (move.cost = wished + this.costOf(move, move.late, missing));
  }

  private costOf({ finish, touchUp, broken, legs, lost }: Judged, late: number, missing: number): number {
    const { objective, sessionFrom } = this.line;
    return (
      objective.span * (finish - sessionFrom[0]!) +
      objective.bench * (this.handsOn + lost) +
      objective.leg * legs +
      broken +
      late +
      BENCH_TIE_WEIGHT * (lost + touchUp) +
      MISSING_PENALTY * missing
    );
  }

  private leastMinutes(job: number): number {
    const { setupCount, jobSetup, jobMinutes, jobTray, trayFetch } = this.line;
    const held = this.clock.held < 0 ? setupCount : this.clock.held;
    const tray = jobTray[job]!;
    const fetch = tray === this.clock.tray ? 0 : trayFetch[tray]!;
    return this.entry[held * setupCount + jobSetup[job]!]! + fetch + jobMinutes[job]!;
  }

  private benchTime(): number {
    return this.calendar.benchTime(this.clock.time, this.clock.session);
  }

  /**
   * Is the judged order certain to be dearer than the limit, with so much work still to come? By the finish alone that is two
   * numbers; with dates ahead, each of them comes no sooner than the work before it is done.
   */
  private isBeyond(work: number, spent: number, latest: number, limit: number): boolean {
    const { clock, lateness } = this;
    const { objective, sessionFrom } = this.line;
    const atBench = objective.bench * (spent + work);
    if (this.isWeighed) {
      // Nights count little here, so that the work alone says when it ends at the least.
      const span = objective.span * (clock.time + work - sessionFrom[0]!);
      if (span + atBench + lateness.known > limit + ROUNDING) return true;
      if (!lateness.isAhead || clock.missing > 0) return false;
    }
    const now = this.benchTime();
    if (!this.isWeighed) {
      if (now + work > latest) return true;
      if (!lateness.isAhead || latest === Infinity) return false;
    }
    const span = objective.span * (this.calendar.momentOf(now + work) - sessionFrom[0]!);
    return span + atBench + lateness.known + lateness.ahead(now + work, this.workFrom, this.calendar) > limit + ROUNDING;
  }

  /** Bench time by which a plan ends that has at most this total without touch-up; Infinity where more than the end counts. */
  private latestBenchTime(total: number): number {
    if (this.isWeighed) return Infinity;
    const { sessionFrom, sessionTo } = this.line;
    const time = total + sessionFrom[0]!;
    // A cost beyond the last session is that of an order that does not fit: its finish says nothing.
    return time > sessionTo.at(-1)! ? Infinity : this.calendar.benchTimeAt(time) + ROUNDING;
  }

  private changeTo(before: number, job: number): number {
    const { setupCount, jobSetup, jobTray, trayFetch } = this.line;
    const fetch = before >= 0 && jobTray[before] === jobTray[job] ? 0 : trayFetch[jobTray[job]!]!;
    return fetch + this.entry[(before < 0 ? setupCount : jobSetup[before]!) * setupCount + jobSetup[job]!]!;
  }

  /** What the moved run's three new neighbourhoods cost in changeovers, less what the old ones did, fetching included. */
  private changeoverChange(from: number, end: number, to: number): number {
    const { order } = this;
    const n = order.length;
    const behind = from === 0 ? -1 : order[from - 1]!;
    const target = to === 0 ? -1 : order[to - 1]!;
    const last = order[end - 1]!;
    let change = this.changeTo(target, order[from]!) - this.changeTo(behind, order[from]!);
    if (to < n) change += this.changeTo(last, order[to]!) - this.changeTo(target, order[to]!);
    if (end < n) change += this.changeTo(behind, order[end]!) - this.changeTo(last, order[end]!);
    return change;
  }

  /** How many legs more there are, by the moved run's three new neighbourhoods. */
  private legChange(from: number, end: number, to: number): number {
    const { order } = this;
    const n = order.length;
    const behind = from === 0 ? -1 : order[from - 1]!;
    const target = to === 0 ? -1 : order[to - 1]!;
    const last = order[end - 1]!;
    let change = this.parts(target, order[from]!) - this.parts(behind, order[from]!);
    if (to < n) change += this.parts(last, order[to]!) - this.parts(target, order[to]!);
    if (end < n) change += this.parts(behind, order[end]!) - this.parts(last, order[end]!);
    return change;
  }

  /** 1 where another leg begins between two jobs. */
  private parts(before: number, job: number): number {
    const { jobSetup } = this.line;
    return before < 0 || jobSetup[before] !== jobSetup[job] ? 1 : 0;
  }

  private sumSpent(low: number): void {
    const { order, spentTo, line, clock } = this;
    if (!this.isWeighed) return;
    for (let place = low; place < order.length; place++)
      spentTo[place + 1] = spentTo[place]! + line.jobMinutes[order[place]!]! + clock.lostOn(order[place]!);
  }

  private sumWork(high: number): void {
    const { order, workFrom, line } = this;
    for (let place = Math.min(high, order.length - 1); place >= 0; place--)
      workFrom[place] =
        workFrom[place + 1]! + line.jobMinutes[order[place]!]! + this.changeTo(place === 0 ? -1 : order[place - 1]!, order[place]!);
  }
}

/** What an order comes to. */
interface Judged {
  finish: number;
  /** What is to be painted again, minutes. */
  touchUp: number;
  /** What broken preferences add to the total. */
  broken: number;
  legs: number;
  /** Changeover and waiting minutes. */
  lost: number;
}

function legsOf({ jobSetup }: CompiledLine, order: ArrayLike<number>): number {
  let legs = 0;
  for (let place = 0; place < order.length; place++) if (place === 0 || jobSetup[order[place]!] !== jobSetup[order[place - 1]!]) legs++;
  return legs;
}
