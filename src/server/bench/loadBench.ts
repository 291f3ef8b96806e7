import { object, type InferType } from 'yup';
import { dryingModels, type WetModel } from '../../core/bench/benchView';
import { replayBench } from '../../core/bench/replayBench';
import { count } from '../../core/formats/fields';
import type { BenchPicture } from '../../core/views/bench';
import type { StoredEvent } from '../../core/views/stored';
import { findCommission, loadPicture, type Picture } from '../commissions/loadPicture';
import { estimateCommission } from '../estimate/estimateCommission';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';

/** The line that is at the bench for a commission; null when none was taken up. */
export async function loadBench(stores: Stores, commissionId: string | undefined, now: Date): Promise<BenchPicture | null> {
  const commission = await findCommission(stores, commissionId);
  const run = await stores.runs.openRun(commission.id);
  if (!run) return null;
  const picture = await loadPicture(stores, commission.id, now);
  return {
    commissionName: commission.name,
    run,
    events: await stores.runs.events(run.id),
    paints: [...picture.paints.values()],
    stillWet: picture.runs.filter((other) => other.run.id !== run.id).flatMap((other) => leftWet(other, now)),
    estimate: await estimateCommission(picture),
  };
}

function leftWet({ run, events }: Picture['runs'][number], now: Date): WetModel[] {
  const jobs = new Map(run.jobs.map((job) => [job.id, job]));
  return dryingModels(run, replayBench(run.jobs, events), now.getTime()).map(({ job, model, dryAt }) => {
    const { unitId, unitName, partName } = jobs.get(job)!;
    return { unitId, what: `${unitName}, ${partName?.toLowerCase() ?? 'everything'}`, model, dryAt };
  });
}

export const newEventsSchema = object({ after: count(0, Number.MAX_SAFE_INTEGER) });

/** Events of a run that arrived after number `after`, for a second tab or device at the same bench. */
export async function newEvents(
  stores: Pick<Stores, 'runs'>,
  runId: string | undefined,
  { after }: InferType<typeof newEventsSchema>,
): Promise<{ events: StoredEvent[] }> {
  if (!(await stores.runs.find(runId ?? ''))) throw new NotFoundError(`There is no run ${runId} at this bench.`);
  return { events: await stores.runs.events(runId!, after) };
}
