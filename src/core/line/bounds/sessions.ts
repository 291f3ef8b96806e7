import type { CompiledLine } from '../problem/compiledLine';
import { BenchCalendar } from '../timing/BenchCalendar';

/** Is there one session without an end? */
export const isEndless = ({ sessionFrom, sessionTo }: CompiledLine): boolean => sessionFrom.length === 1 && sessionTo[0] === Infinity;

/** A calendar in which every session but the first gives up so many minutes to beginning anew. */
export function calendarWithRestarts({ sessionFrom, sessionTo }: CompiledLine, minutes: number): BenchCalendar {
  if (sessionFrom.length === 1 || minutes <= 0 || minutes === Infinity) return new BenchCalendar({ sessionFrom, sessionTo });
  const from = sessionFrom.map((each, session) => (session === 0 ? each : Math.min(each + minutes, sessionTo[session]!)));
  return new BenchCalendar({ sessionFrom: from, sessionTo });
}

/** The least minutes before any job can begin in a session: its setup got ready and its tray fetched. */
export const cheapestStart = (line: CompiledLine): number =>
  line.jobSetup.reduce((least, setup, job) => Math.min(least, line.start[setup]! + line.trayFetch[line.jobTray[job]!]!), Infinity);

/**
 * A model can end in no night, and not before a session has been begun and its shortest model painted: the earliest moment
 * from a given one on that is left.
 */
export function finishInSession(line: CompiledLine, moment: number): number {
  const { sessionFrom, sessionTo } = line;
  if (sessionFrom.length === 1) return moment;
  const least = cheapestStart(line) + line.cellMinutes.reduce((shortest, minutes) => Math.min(shortest, minutes), Infinity);
  for (let session = 0; session < sessionFrom.length; session++) {
    if (moment > sessionTo[session]! + ROUNDING || sessionFrom[session]! + least > sessionTo[session]! + ROUNDING) continue;
    return Math.max(moment, sessionFrom[session]! + least);
  }
  return moment;
}

/** What sums of many minutes may be off by. */
const ROUNDING = 1e-6;
