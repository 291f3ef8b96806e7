import type { CompiledLine } from '../problem/compiledLine';
import type { BenchCalendar } from '../timing/BenchCalendar';
import type { LineClock } from '../timing/LineClock';

/**
 * What the dates of a line cost in an order, and in one that differs from it by a move. Ends grow along an order, so a date
 * is settled by the one of its jobs that stands last: only who that is and when it ends need be known.
 */
export class Lateness {
  /** Minutes that lateness adds to the kept order. */
  total = 0;
  /** Those of the dates that are settled in the order being judged, so far. */
  known = 0;
  private readonly lastPlace: Int32Array;
  private readonly lastJob: Int32Array;
  private readonly judgedLast: Int32Array;
  /** Minutes of each date in the kept order. */
  private readonly of: Float64Array;
  private readonly isSettled: Uint8Array;
  private high = 0;
  /** Dates that are settled behind what differs, and were missed: those that the judging need look out for. */
  private missedAhead = 0;

  constructor(
    private readonly line: CompiledLine,
    private readonly clock: LineClock,
  ) {
    const { count } = line.due;
    this.lastPlace = new Int32Array(count);
    this.lastJob = new Int32Array(count);
    this.judgedLast = new Int32Array(count);
    this.of = new Float64Array(count);
    this.isSettled = new Uint8Array(count);
  }

  /** Takes an order that the clock has placed whole. */
  take(order: Int32Array): void {
    const { due } = this.line;
    this.total = 0;
    if (due.count === 0) return;
    this.lastPlace.fill(-1);
    for (let place = 0; place < order.length; place++) for (const date of due.ofJob[order[place]!]!) this.lastPlace[date] = place;
    for (let date = 0; date < due.count; date++) {
      this.lastJob[date] = order[this.lastPlace[date]!]!;
      this.total += this.of[date] = this.minutesOf(date, this.lastJob[date]!);
    }
  }

  /** Begins to judge an order that differs at places `low` to `high` (not included); `jobAt` tells its jobs there. */
  begin(low: number, high: number, jobAt: (place: number) => number): void {
    const { due, jobCount } = this.line;
    this.known = 0;
    this.high = high;
    this.missedAhead = 0;
    for (let date = 0; date < due.count; date++) {
      const place = this.lastPlace[date]!;
      this.judgedLast[date] = this.lastJob[date]!;
      this.isSettled[date] = 0;
      if (place < low) {
        this.isSettled[date] = 1;
        this.known += this.of[date]!;
      } else if (place < high) {
        let at = high - 1;
        while (due.has[date * jobCount + jobAt(at)] === 0) at--;
        this.judgedLast[date] = jobAt(at);
      } else if (this.of[date]! > 0) this.missedAhead++;
    }
  }

  get isAhead(): boolean {
    return this.missedAhead > 0;
  }

  /**
   * Lateness at the least of the missed dates behind what differs: none is settled before the work up to it is done.
   * `workEnd` is the bench time when all of the line's work could be done, `workFrom` the work from each place on.
   */
  ahead(workEnd: number, workFrom: Float64Array, calendar: BenchCalendar): number {
    const { at, perMinuteLate } = this.line.due;
    let minutes = 0;
    for (let date = 0; date < this.isSettled.length; date++) {
      if (this.isSettled[date] || this.lastPlace[date]! < this.high || this.of[date] === 0) continue;
      const end = calendar.momentOf(workEnd - workFrom[this.lastPlace[date]! + 1]!);
      if (end > at[date]!) minutes += perMinuteLate[date]! * (end - at[date]!);
    }
    return minutes;
  }

  /** Takes note of a job that was placed; true when it has made the order dearer. */
  place(job: number): boolean {
    const before = this.known;
    for (const date of this.line.due.ofJob[job]!)
      if (this.judgedLast[date] === job) {
        this.isSettled[date] = 1;
        if (this.lastPlace[date]! >= this.high && this.of[date]! > 0) this.missedAhead--;
        this.known += this.minutesOf(date, job);
      }
    return this.known > before;
  }

  /** All minutes of the judged order: dates that were not reached are met or missed as they were. */
  complete(): number {
    for (let date = 0; date < this.isSettled.length; date++) if (!this.isSettled[date]) this.known += this.of[date]!;
    return this.known;
  }

  /** The judged order is the kept one from now on; `position` tells where its jobs stand. */
  keep(low: number, high: number, position: Int32Array): void {
    this.total = 0;
    for (let date = 0; date < this.isSettled.length; date++) {
      const place = this.lastPlace[date]!;
      if (place >= low) {
        if (place < high) {
          this.lastJob[date] = this.judgedLast[date]!;
          this.lastPlace[date] = position[this.lastJob[date]!]!;
        }
        this.of[date] = this.minutesOf(date, this.lastJob[date]!);
      }
      this.total += this.of[date]!;
    }
  }

  private minutesOf(date: number, job: number): number {
    const { at, perMinuteLate } = this.line.due;
    return perMinuteLate[date]! * Math.max(0, this.clock.endOf(job) - at[date]!);
  }
}
