import { endOfDay, minutesBetween } from '../../core/calendar/benchSessions';
import { lineDates } from '../../core/calendar/lineDates';
import { compileLine } from '../../core/line/problem/compileLine';
import { timeDraws, type DrawnEnds } from '../../core/line/timing/timeDraws';
import { timeOrder } from '../../core/line/timing/timeOrder';
import { approved } from '../../core/scheme/definitions';
import { doneDates, type DoneDates } from '../../core/time/forecast';
import { inSlices, letOthersIn } from '../inSlices';
import { lineLeft } from '../workshop/builtLine';
import { datedLine } from '../workshop/datedLine';
import type { Workshop } from '../workshop/loadWorkshop';

/** An order is timed under so many draws. */
export const ORDER_DRAWS = 200;

/**
 * When every commission that has work left is done, if the bench goes through one order (job ids of all open work) in the
 * painter's sessions; `factors` are the draws of each pass. Where the sessions do not hold it, only bench minutes are known.
 */
export async function queueDates(
  workshop: Workshop,
  order: readonly string[],
  factors: ReadonlyMap<string, Float64Array>,
  now: Date,
): Promise<Map<string, DoneDates>> {
  const built = await lineLeft(workshop, workshop.units.map(approved));
  const indexes = new Map(built.jobs.map((job, index) => [job.id, index]));
  const jobs = Int32Array.from(order, (id) => indexes.get(id)!);
  const ofJob = built.jobs.map((job) => factors.get(job.passKey)!);
  const draw = (line: ReturnType<typeof compileLine>): Promise<DrawnEnds> => inSlices(timeDraws(line, jobs, ofJob, ORDER_DRAWS));
  const dated = datedLine(workshop, built, now);
  await letOthersIn();
  const line = dated && compileLine(dated.problem);
  const timed = line && timeOrder(line, jobs);
  if (dated && timed && !('missingMinutes' in timed)) {
    const drawn = await draw(line);
    return new Map(timed.due.map(({ id, end, at }, index) => [id, doneDates(drawn.due[index]!, end, at, dated.sessions.origin)]));
  }
  // One sitting without an end: its minutes are those of the bench.
  const due = lineDates(built.jobs, workshop.commissions, 0);
  const inOne = compileLine({ ...built.problem, due });
  const drawn = await draw(inOne);
  return new Map(
    due.map(({ id }, index) => {
      const { dueOn } = workshop.commissions.find((commission) => commission.id === id)!;
      const at = minutesBetween(workshop.house.sessions, now.getTime(), endOfDay(dueOn));
      return [id, doneDates(drawn.due[index]!, 0, at, null)];
    }),
  );
}
