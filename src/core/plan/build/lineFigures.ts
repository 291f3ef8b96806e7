import { compileLine } from '../../line/problem/compileLine';
import { timeOrder, type TimedOrder } from '../../line/timing/timeOrder';
import type { LineSession } from '../../line/definitions';
import type { BuiltLine } from './buildLine';
import { jobMinutes } from './lineJobs';

/** Where the minutes of an order go that belong to some of its jobs. */
export interface JobShare {
  handsOn: number;
  setUp: number;
  waiting: number;
  touchUp: number;
}

export interface LineFigures {
  byUnit: Map<string, JobShare>;
  total: JobShare;
}

/** All the minutes of a share. */
export const shareMinutes = ({ handsOn, setUp, waiting, touchUp }: JobShare): number => handsOn + setUp + waiting + touchUp;

const noShare = (): JobShare => ({ handsOn: 0, setUp: 0, waiting: 0, touchUp: 0 });

/** Times an order (job ids) in the sessions given, or in one session where they do not hold it, and tells what goes to whom. */
export function lineFigures(built: BuiltLine, order: readonly string[], sessions: LineSession[] | null): LineFigures {
  const figures: LineFigures = { byUnit: new Map(), total: noShare() };
  if (order.length === 0) return figures;
  const indexes = new Map(built.jobs.map((job, index) => [job.id, index]));
  const timed = timedIn(
    built,
    Int32Array.from(order, (id) => indexes.get(id)!),
    sessions,
  );
  const touchUp = touchUpByJob(built, order);
  for (const { id, prep, wait } of timed.jobs) {
    const job = built.jobs[indexes.get(id)!]!;
    const share = { handsOn: jobMinutes(job), setUp: prep, waiting: wait, touchUp: touchUp.get(id) ?? 0 };
    add(figures.total, share);
    const unit = figures.byUnit.get(job.unitId) ?? noShare();
    add(unit, share);
    figures.byUnit.set(job.unitId, unit);
  }
  return figures;
}

function add(to: JobShare, share: JobShare): void {
  to.handsOn += share.handsOn;
  to.setUp += share.setUp;
  to.waiting += share.waiting;
  to.touchUp += share.touchUp;
}

function timedIn({ problem }: BuiltLine, order: Int32Array, sessions: LineSession[] | null): TimedOrder {
  const timed = sessions && timeOrder(compileLine({ ...problem, sessions }), order);
  if (timed && timed.fits) return timed;
  const inOne = timeOrder(compileLine(problem), order);
  if (!inOne.fits) throw new Error('lineFigures: one endless session holds every order');
  return inOne;
}

/** Touch-up counts where the job stands that had better come first; a broken wish is no work. */
function touchUpByJob({ problem }: BuiltLine, order: readonly string[]): Map<string, number> {
  const place = new Map(order.map((id, index) => [id, index]));
  const minutes = new Map<string, number>();
  for (const { first, then, minutes: each, wish } of problem.prefer ?? []) {
    if (!wish && place.get(first)! > place.get(then)!) minutes.set(first, (minutes.get(first) ?? 0) + each);
  }
  return minutes;
}
