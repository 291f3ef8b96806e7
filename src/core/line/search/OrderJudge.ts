import { BenchCalendar } from '../timing/BenchCalendar';
import type { CompiledLine } from '../problem/compiledLine';
import type { OrderChange } from '../definitions';
import { Lateness } from './Lateness';
import { LineClock } from '../timing/LineClock';
import { positionsOf, touchUpMinutes } from '../timing/timeOrder';
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
 * or as soon as the rest of the order goes as it did before. The cost is the total in minutes with
 * what the wishes add, ties broken by the bench time.
 */
export class OrderJudge {
  readonly order: Int32Array;
  readonly position: Int32Array;
  cost = Infinity;
  readonly clock: LineClock;
  private finish = 0;
  private touchUp = 0;
  private readonly lateness: Lateness;
  /** Changeover and waiting minutes of the order. */
  private lost = 0;
  /** Minutes of work and changeovers from each place of the order on, its own changeover included. */
  private readonly workFrom: Float64Array;
  /** Least minutes from a setup (last row: none in hand) to another one, within a session or over its end. */
  private readonly change: Float64Array;
  private readonly calendar: BenchCalendar;
  private readonly wishes: WishesByJob;
  private move = { from: 0, end: 0, to: 0, touchUp: 0, late: 0, lost: 0, finish: 0, cost: Infinity };

  constructor(readonly line: CompiledLine) {
    const { jobCount, setupCount, sessionFrom } = line;
    this.clock = new LineClock(line);
    this.order = new Int32Array(jobCount);
    this.position = new Int32Array(jobCount);
    this.workFrom = new Float64Array(jobCount + 1);
    this.change = new Float64Array((setupCount + 1) * setupCount);
    for (let from = 0; from < setupCount; from++)
      for (let to = 0; to < setupCount; to++) {
        const minutes = line.changeover[from * setupCount + to]!;
        this.change[from * setupCount + to] = sessionFrom.length > 1 ? Math.min(minutes, line.start[to]!) : minutes;
      }
    this.change.set(line.start, setupCount * setupCount);
    this.calendar = new BenchCalendar(line);
    this.wishes = wishesByJob(line);
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
    this.lost = 0;
    for (let place = 0; place < order.length; place++) {
      clock.place(order[place]!);
      this.lost += clock.lostOn(order[place]!);
    }
    clock.keep();
    this.touchUp = touchUpMinutes(line, this.position);
    this.finish = clock.time;
    this.lateness.take(this.order);
    this.sumWork(order.length);
    const wished = line.wishes.cost
      ? wishMinutes(
          line,
          (place) => order[place]!,
          (job) => clock.endOf(job),
        )
      : 0;
    return (this.cost = wished + this.costOf(this.finish, this.touchUp, this.lateness.total, this.lost, clock.missing));
  }

  /**
   * Cost of the order with the jobs at places `from` to `end` (not included) moved to before the job at place `to`,
   * or Infinity once it is certain to be above the limit. The move must keep predecessors first.
   */
  judge(from: number, end: number, to: number, limit: number): number {
    const { clock, order, workFrom, lateness } = this;
    const low = Math.min(from, to);
    const high = Math.max(end, to);
    const touchUp = this.touchUp + this.touchUpChange(from, end, to);
    lateness.begin(low, high, (place) => order[placeBeforeMove(place, from, end, to)]!);
    let latest = this.latestBenchTime(limit - touchUp - lateness.known);
    clock.branch(low);
    let work = workFrom[low]! + this.changeoverChange(from, end, to);
    if (this.isBeyond(work, latest, limit - touchUp)) return Infinity;
    let lost = this.lost;
    let influence = 0;
    for (let place = low; place < order.length; place++) {
      const isMoved = place < high;
      const job = order[isMoved ? placeBeforeMove(place, from, end, to) : place]!;
      work = isMoved ? work - this.leastMinutes(job) : workFrom[place + 1]!;
      clock.place(job);
      if (lateness.place(job)) latest = this.latestBenchTime(limit - touchUp - lateness.known);
      if (this.isBeyond(work, latest, limit - touchUp)) return Infinity;
      lost += clock.lostOn(job) - clock.keptLostOn(job);
      influence = Math.max(influence, Math.max(clock.endOf(job), clock.keptEndOf(job)) + this.line.jobLongestLag[job]!);
      // All that was timed anew is dry and the clock is where it was: the rest of the order goes as it did.
      if (!isMoved && influence <= clock.time && clock.isAsAfter(job)) return this.remember(from, end, to, touchUp, lost, this.finish, 0);
    }
    return this.remember(from, end, to, touchUp, lost, clock.time, clock.missing);
  }

  /** What the move that was judged last changes; it must not have been given up. */
  get judgedChange(): OrderChange {
    const { move } = this;
    return {
      bench: move.lost + move.touchUp - this.lost - this.touchUp,
      finish: move.finish - this.finish,
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
    this.touchUp = this.move.touchUp;
    this.lost = this.move.lost;
    this.finish = this.move.finish;
    this.cost = this.move.cost;
    this.sumWork(high);
  }

  /** Forgets the move that was judged last. */
  reject(): void {
    this.clock.drop();
  }

  private remember(from: number, end: number, to: number, touchUp: number, lost: number, finish: number, missing: number): number {
    const { move } = this;
    move.from = from;
    move.end = end;
    move.to = to;
    move.touchUp = touchUp;
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
    return (move.cost = wished + this.costOf(finish, touchUp, move.late, lost, missing));
  }

  private costOf(finish: number, touchUp: number, late: number, lost: number, missing: number): number {
    return finish - this.line.sessionFrom[0]! + touchUp + late + BENCH_TIE_WEIGHT * (lost + touchUp) + MISSING_PENALTY * missing;
  }

  private leastMinutes(job: number): number {
    const { setupCount, jobSetup, jobMinutes, jobTray, trayFetch } = this.line;
    const held = this.clock.held < 0 ? setupCount : this.clock.held;
    const tray = jobTray[job]!;
    const fetch = tray === this.clock.tray ? 0 : trayFetch[tray]!;
    return this.change[held * setupCount + jobSetup[job]!]! + fetch + jobMinutes[job]!;
  }

  private benchTime(): number {
    return this.calendar.benchTime(this.clock.time, this.clock.session);
  }

  /**
   * Is the judged order certain to be dearer than the limit, with so much work still to come? By the finish alone that is two
   * numbers; with dates ahead, each of them comes no sooner than the work before it is done.
   */
  private isBeyond(work: number, latest: number, limit: number): boolean {
    const now = this.benchTime();
    if (now + work > latest) return true;
    if (!this.lateness.isAhead || latest === Infinity) return false;
    const finish = this.calendar.momentOf(now + work) - this.line.sessionFrom[0]!;
    return finish + this.lateness.known + this.lateness.ahead(now + work, this.workFrom, this.calendar) > limit + ROUNDING;
  }

  /** Bench time by which a plan ends that has at most this total without touch-up. */
  private latestBenchTime(total: number): number {
    const { sessionFrom, sessionTo } = this.line;
    const time = total + sessionFrom[0]!;
    // A cost beyond the last session is that of an order that does not fit: its finish says nothing.
    return time > sessionTo.at(-1)! ? Infinity : this.calendar.benchTimeAt(time) + ROUNDING;
  }

  private changeTo(before: number, job: number): number {
    const { setupCount, jobSetup, jobTray, trayFetch } = this.line;
    const fetch = before >= 0 && jobTray[before] === jobTray[job] ? 0 : trayFetch[jobTray[job]!]!;
    return fetch + this.change[(before < 0 ? setupCount : jobSetup[before]!) * setupCount + jobSetup[job]!]!;
  }

  /** What the moved run's three new neighbourhoods cost in changeovers, less what the old ones did, fetching included. */
  private changeoverChange(from: number, end: number, to: number): number {
    const { order } = this;
    const n = order.length;
    const at = (place: number) => (place < 0 ? -1 : order[place]!);
    let change = this.changeTo(at(to - 1), order[from]!) - this.changeTo(at(from - 1), order[from]!);
    if (to < n) change += this.changeTo(order[end - 1]!, order[to]!) - this.changeTo(at(to - 1), order[to]!);
    if (end < n) change += this.changeTo(at(from - 1), order[end]!) - this.changeTo(order[end - 1]!, order[end]!);
    return change;
  }

  private touchUpChange(from: number, end: number, to: number): number {
    const { wishes, order, position } = this;
    if (this.line.preferMinutes.length === 0) return 0;
    const low = to < from ? to : end;
    const high = to < from ? from : to;
    let change = 0;
    for (let place = from; place < end; place++) {
      const job = order[place]!;
      for (let entry = wishes.start[job]!; entry < wishes.start[job + 1]!; entry++) {
        const other = position[wishes.other[entry]!]!;
        // The minutes are those of a job standing before the other: moving it to the front of the other adds them.
        if (other >= low && other < high) change += to < from ? wishes.minutes[entry]! : -wishes.minutes[entry]!;
      }
    }
    return change;
  }

  private sumWork(high: number): void {
    const { order, workFrom, line } = this;
    for (let place = Math.min(high, order.length - 1); place >= 0; place--)
      workFrom[place] =
        workFrom[place + 1]! + line.jobMinutes[order[place]!]! + this.changeTo(place === 0 ? -1 : order[place - 1]!, order[place]!);
  }
}

/** Where the job that stands at place `index` after a move stood before it. */
function placeBeforeMove(index: number, from: number, end: number, to: number): number {
  if (index < Math.min(from, to) || index >= Math.max(end, to)) return index;
  if (to < from) return index < to + end - from ? index + from - to : index - end + from;
  return index < from + to - end ? index + end - from : index - to + end;
}

/** Moves the jobs at places `from` to `end` (not included) to before the job at place `to`, in place. */
export function moveRun(order: Int32Array, from: number, end: number, to: number): void {
  const run = order.slice(from, end);
  if (to < from) {
    order.copyWithin(to + end - from, to, from);
    order.set(run, to);
  } else {
    order.copyWithin(from, end, to);
    order.set(run, to - (end - from));
  }
}

/** Each job's preferences: touch-up minutes for standing before the other job (negative: for standing behind it). */
interface WishesByJob {
  start: Int32Array;
  other: Int32Array;
  minutes: Float64Array;
}

function wishesByJob(line: CompiledLine): WishesByJob {
  const entries: { other: number; minutes: number }[][] = Array.from({ length: line.jobCount }, () => []);
  line.preferMinutes.forEach((minutes, entry) => {
    const first = line.preferFirst[entry]!;
    const then = line.preferThen[entry]!;
    if (first === then) return;
    entries[then]!.push({ other: first, minutes });
    entries[first]!.push({ other: then, minutes: -minutes });
  });
  const start = new Int32Array(line.jobCount + 1);
  entries.forEach((list, job) => (start[job + 1] = start[job]! + list.length));
  return {
    start,
    other: Int32Array.from(entries.flat(), (entry) => entry.other),
    minutes: Float64Array.from(entries.flat(), (entry) => entry.minutes),
  };
}
