import type { LineSession } from '../definitions';
import type { CompiledLine } from '../problem/compiledLine';

/** Converts between minutes on the clock and minutes at the bench, where only sessions count. */
export class BenchCalendar {
  private readonly before: Float64Array;

  constructor(private readonly line: Pick<CompiledLine, 'sessionFrom' | 'sessionTo'>) {
    const { sessionFrom, sessionTo } = line;
    this.before = new Float64Array(sessionFrom.length);
    for (let session = 1; session < sessionFrom.length; session++)
      this.before[session] = this.before[session - 1]! + sessionTo[session - 1]! - sessionFrom[session - 1]!;
  }

  /** The calendar of sessions as a problem lists them. */
  static of(sessions: readonly LineSession[]): BenchCalendar {
    return new BenchCalendar({
      sessionFrom: Float64Array.from(sessions, ({ from }) => from),
      sessionTo: Float64Array.from(sessions, ({ to }) => to),
    });
  }

  /** Bench minutes up to a moment in the session, counted from the first one's begin. */
  benchTime(time: number, session: number): number {
    return this.before[session]! + time - this.line.sessionFrom[session]!;
  }

  /** Bench minutes up to any moment. */
  benchTimeAt(time: number): number {
    const session = lastAtMost(this.line.sessionFrom, time);
    if (session < 0) return 0;
    return this.benchTime(Math.min(time, this.line.sessionTo[session]!), session);
  }

  /** The earliest moment by which so many bench minutes can have passed; work beyond the last session goes on after it. */
  momentOf(benchMinutes: number): number {
    let session = lastAtMost(this.before, benchMinutes);
    while (session > 0 && this.before[session] === benchMinutes) session--;
    return this.line.sessionFrom[Math.max(session, 0)]! + benchMinutes - this.before[Math.max(session, 0)]!;
  }
}

/** The last index whose value is not above the limit, or -1; values ascend. */
function lastAtMost(values: Float64Array, limit: number): number {
  let low = -1;
  let high = values.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (values[middle]! <= limit) low = middle;
    else high = middle - 1;
  }
  return low;
}
