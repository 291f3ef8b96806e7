import { queuedDates, timePiece, type PieceTimes } from '../../core/plan/dates/benchQueue';
import { minutesBetween } from '../../core/plan/dates/benchSessions';
import type { LineProblem } from '../../core/line/definitions';
import { compileLine } from '../../core/line/problem/compileLine';
import type { BuiltLine } from '../../core/plan/build/buildLine';
import { doneDates, type DoneDates } from '../../core/plan/dates/forecast';
import { inSlices, letOthersInWhenDue } from '../running/inSlices';
import { commissionDates } from '../workshop/commissionDates';
import { ORDER_DRAWS } from '../workshop/passDraws';
import { datedLine, type DatedLine } from '../workshop/datedLine';
import type { Workshop } from '../workshop/loadWorkshop';

/** A piece of the bench's queue, with the order it is planned in (job ids). */
export interface QueuedLine {
  built: BuiltLine;
  order: string[];
}

/**
 * When every commission that has work left is done, if the bench goes through these lines one after the other in the painter's
 * sessions; `factors` are the draws of each pass. Where the sessions do not hold them, only bench minutes are known.
 */
export async function queueDates(
  workshop: Workshop,
  lines: readonly QueuedLine[],
  factors: ReadonlyMap<string, Float64Array>,
  now: Date,
): Promise<Map<string, DoneDates>> {
  const dated: (DatedLine | null)[] = [];
  for (const { built } of lines) {
    dated.push(await datedLine(workshop, built, now));
    await letOthersInWhenDue();
  }
  const inSessions = await timedPieces(lines, factors, (index) => dated[index]?.problem ?? null);
  const [first] = dated;
  if (inSessions && first) {
    // The longest list of sessions is that of the longest line; all begin with the same.
    const longest = dated.reduce((most, each) => (each!.problem.sessions!.length > most!.problem.sessions!.length ? each : most), first)!;
    const dates = queuedDates(compileLine({ ...longest.problem, due: [] }), inSessions);
    return new Map(dates.map(({ id, at, end, ends }) => [id, doneDates(ends, end, at, first.sessions.origin)]));
  }
  return inBenchMinutes(workshop, lines, factors, now);
}

/** One sitting without an end: its minutes are those of the bench. */
async function inBenchMinutes(
  workshop: Workshop,
  lines: readonly QueuedLine[],
  factors: ReadonlyMap<string, Float64Array>,
  now: Date,
): Promise<Map<string, DoneDates>> {
  const due = commissionDates(workshop).map(({ id, by }) => ({
    id,
    at: minutesBetween(workshop.house, now.getTime(), by),
    perMinuteLate: 0,
  }));
  const pieces = await timedPieces(lines, factors, (index) => {
    const { jobs, problem } = lines[index]!.built;
    const own = due.map((date) => ({ ...date, jobs: jobs.filter(({ commissionId }) => commissionId === date.id).map(({ id }) => id) }));
    return { ...problem, due: own.filter((date) => date.jobs.length > 0) };
  });
  const endless = { sessionFrom: Float64Array.of(0), sessionTo: Float64Array.of(Infinity) };
  return new Map(queuedDates(endless, pieces ?? []).map(({ id, at, end, ends }) => [id, doneDates(ends, end, at, null)]));
}

/** Null when one of the lines has no problem, or does not fit into the sessions of its own. */
async function timedPieces(
  lines: readonly QueuedLine[],
  factors: ReadonlyMap<string, Float64Array>,
  problemOf: (index: number) => LineProblem | null,
): Promise<PieceTimes[] | null> {
  const pieces: PieceTimes[] = [];
  for (const [index, { built, order }] of lines.entries()) {
    const problem = problemOf(index);
    if (!problem) return null;
    const indexes = new Map(built.jobs.map((job, at) => [job.id, at]));
    const ofJob = built.jobs.map((job) => factors.get(job.passKey)!);
    const jobs = Int32Array.from(order, (id) => indexes.get(id)!);
    const times = await inSlices(timePiece(compileLine(problem), jobs, ofJob, ORDER_DRAWS));
    if (!times) return null;
    pieces.push(times);
    await letOthersInWhenDue();
  }
  return pieces;
}
