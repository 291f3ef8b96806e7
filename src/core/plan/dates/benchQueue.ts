import type { CompiledLine } from '../../line/problem/compiledLine';
import { BenchCalendar } from '../../line/timing/BenchCalendar';
import { timeDraws } from '../../line/timing/timeDraws';
import { timeOrder } from '../../line/timing/timeOrder';
import type { Steps } from '../../kernel/steps';
import { isOwnDate } from './lineDates';

/** When one date of a line is met, by the plan and in every draw; minutes of the sessions. */
export interface DrawnDate {
  id: string;
  at: number;
  end: number;
  ends: Float64Array;
}

/** One piece of the bench's queue, timed as if it were begun now. */
export interface PieceTimes {
  /** Minutes at the bench. */
  bench: number;
  finish: number;
  finishes: Float64Array;
  dates: DrawnDate[];
}

/** Times an order by the plan and under draws (see `timeDraws`); null when the sessions do not hold it. One step for each draw. */
export function* timePiece(
  line: CompiledLine,
  order: ArrayLike<number>,
  factors: ArrayLike<ArrayLike<number>>,
  draws: number,
): Steps<PieceTimes | null> {
  const timed = timeOrder(line, order);
  if (!timed.fits) return null;
  const drawn = yield* timeDraws(line, order, factors, draws);
  return {
    bench: timed.totals.bench,
    finish: timed.totals.finish,
    finishes: drawn.finish,
    dates: timed.due.map((date, index) => ({ ...date, ends: drawn.due[index]! })).filter(isOwnDate),
  };
}

/** When each job of pieces that are painted one after the other begins, in minutes of the sessions: `begins` as if each were begun now. */
export function queuedBegins(
  sessions: Pick<CompiledLine, 'sessionFrom' | 'sessionTo'>,
  pieces: readonly { begins: readonly number[]; finish: number }[],
): number[][] {
  const calendar = new BenchCalendar(sessions);
  let queued = 0;
  return pieces.map(({ begins, finish }) => {
    const before = queued;
    queued += calendar.benchTimeAt(finish);
    return before === 0 ? [...begins] : begins.map((begin) => calendar.momentOf(before + calendar.benchTimeAt(begin)));
  });
}

/**
 * The dates of pieces that are painted one after the other. A piece is planned anew when its turn comes, so it takes as many
 * minutes of the sessions as if it were begun now. A date that has jobs in several pieces is met with the last of them.
 */
export function queuedDates(sessions: Pick<CompiledLine, 'sessionFrom' | 'sessionTo'>, pieces: readonly PieceTimes[]): DrawnDate[] {
  const calendar = new BenchCalendar(sessions);
  const behind = (queued: number, moment: number) =>
    queued === 0 || moment === Infinity ? moment : calendar.momentOf(queued + calendar.benchTimeAt(moment));
  const dates = new Map<string, DrawnDate>();
  let queued = 0;
  let queuedIn: Float64Array | null = null;
  for (const { finish, finishes, dates: own } of pieces) {
    const before: Float64Array = queuedIn ?? new Float64Array(finishes.length);
    for (const { id, at, end, ends } of own)
      dates.set(id, { id, at, end: behind(queued, end), ends: ends.map((each, draw) => behind(before[draw]!, each)) });
    queued += calendar.benchTimeAt(finish);
    queuedIn = before.map((minutes, draw) => minutes + (finishes[draw]! === Infinity ? Infinity : calendar.benchTimeAt(finishes[draw]!)));
  }
  return [...dates.values()];
}
