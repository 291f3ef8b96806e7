import type { BenchPicture } from '../../core/views/bench';
import type { StoredEvent } from '../../core/views/stored';
import { findCommission, loadPicture } from '../commissions/loadPicture';
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
    estimate: estimateCommission(picture),
  };
}

/** Events of a run that arrived after number `after`, for a second tab or device at the same bench. */
export async function newEvents(
  stores: Pick<Stores, 'runs'>,
  runId: string | undefined,
  after: number,
): Promise<{ events: StoredEvent[] }> {
  if (!(await stores.runs.find(runId ?? ''))) throw new NotFoundError(`There is no run ${runId} at this bench.`);
  return { events: await stores.runs.events(runId!, after) };
}
