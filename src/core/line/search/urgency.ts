import type { CompiledLine } from '../problem/compiledLine';
import { enteredOrder } from '../problem/precedence';

/** The earliest date that each job is needed for, by itself or by what comes behind it; Infinity for none. */
function earliestDates(line: CompiledLine): Float64Array {
  const { due } = line;
  const earliest = new Float64Array(line.jobCount).fill(Infinity);
  const order = enteredOrder(line);
  for (let index = order.length - 1; index >= 0; index--) {
    const job = order[index]!;
    for (const date of due.ofJob[job]!) if (due.perMinuteLate[date]! > 0) earliest[job] = Math.min(earliest[job]!, due.at[date]!);
    for (const other of line.successors[job]!) earliest[job] = Math.min(earliest[job]!, earliest[other]!);
  }
  return earliest;
}

/** How many minutes each job's date comes before the last of the dates; 0 for jobs that nobody waits for. */
export function urgency(line: CompiledLine): Float64Array {
  const last = line.due.at.reduce((latest, at) => Math.max(latest, at), 0);
  return earliestDates(line).map((at) => (at === Infinity ? 0 : last - at));
}

/** Jobs by their dates: the group of those due first is 0, and those that nobody waits for come last. */
export function dateRank(line: CompiledLine): (job: number) => number {
  const earliest = earliestDates(line);
  const dates = [...new Set(earliest)].sort((a, b) => a - b);
  const rank = new Map(dates.map((at, index) => [at, index]));
  return (job) => rank.get(earliest[job]!)!;
}
