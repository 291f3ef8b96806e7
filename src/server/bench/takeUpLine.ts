import { object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { id, list } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import { readOrder } from '../../core/formats/lineProblem';
import { buildLine } from '../../core/scheme/buildLine';
import { loadPicture, rosterOf } from '../commissions/loadPicture';
import type { Stores } from '../stores';

export const takeUpSchema = object({ order: list(id(), 100_000) });

/** Takes a line to the bench in the order given; a line of the commission that was still open is put down. */
export async function takeUpLine(
  stores: Stores,
  commissionId: string | undefined,
  input: InferType<typeof takeUpSchema>,
  now: Date,
): Promise<{ runId: string }> {
  const picture = await loadPicture(stores, commissionId, now);
  const built = buildLine(rosterOf(picture));
  if (built.jobs.length === 0) throw new InputError('order', input.order, 'nothing is left to paint here: add steps to a scheme first');
  const order = readOrder(built.problem, input.order);
  const runId = ulid(now.getTime());
  await stores.runs.start({
    id: runId,
    commissionId: picture.commission.id,
    startedAt: now.toISOString(),
    closedAt: null,
    jobs: Array.from(order, (job) => built.jobs[job]!),
    problem: built.problem,
  });
  return { runId };
}
