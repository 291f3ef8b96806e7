import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { compileLine } from '../../core/line/problem/compileLine';
import { timeOrder } from '../../core/line/timing/timeOrder';
import type { JobInfo } from '../../core/plan/build/lineJobs';
import { queuedBegins } from '../../core/plan/dates/benchQueue';
import { letOthersInWhenDue } from '../running/inSlices';
import { datedLine, type DatedLine } from '../workshop/datedLine';
import type { Workshop } from '../workshop/loadWorkshop';
import type { QueuedLine } from './queueDates';

/** All jobs ahead in the order of the bench's queue, with the moment (UTC ms) at which each begins; null where no sessions say when. */
export async function plannedJobs(
  workshop: Workshop,
  lines: readonly QueuedLine[],
  now: Date,
): Promise<{ job: JobInfo; at: number | null }[]> {
  const inOrder = lines.map(({ built, order }) => {
    const byId = new Map(built.jobs.map((job, index) => [job.id, index]));
    return { built, indexes: order.map((id) => byId.get(id)!) };
  });
  const dated: DatedLine[] = [];
  const pieces: { begins: number[]; finish: number }[] = [];
  for (const { built, indexes } of inOrder) {
    const line = await datedLine(workshop, built, now);
    await letOthersInWhenDue();
    const timed = line && timeOrder(compileLine(line.problem), indexes);
    if (!timed?.fits) break;
    dated.push(line!);
    pieces.push({ begins: timed.jobs.map(({ begin }) => begin), finish: timed.totals.finish });
  }
  const moments = dated.length < lines.length || dated.length === 0 ? null : queuedBegins(longestSessions(dated), pieces);
  return inOrder.flatMap(({ built, indexes }, piece) =>
    indexes.map((index, at) => ({
      job: built.jobs[index]!,
      at: moments === null ? null : dated[0]!.sessions.origin + moments[piece]![at]! * MINUTE_MS,
    })),
  );
}

/** All lists of sessions begin with the same; the longest holds the others. */
function longestSessions(dated: readonly DatedLine[]): { sessionFrom: Float64Array; sessionTo: Float64Array } {
  const { sessions } = dated.reduce((most, each) => (each.sessions.sessions.length > most.sessions.sessions.length ? each : most)).sessions;
  return {
    sessionFrom: Float64Array.from(sessions, ({ from }) => from),
    sessionTo: Float64Array.from(sessions, ({ to }) => to),
  };
}
