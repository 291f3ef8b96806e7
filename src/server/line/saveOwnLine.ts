import { object, type InferType } from 'yup';
import { ownLine } from '../../core/formats/commission';
import { readLineProblem, readOrder } from '../../core/formats/lineProblem';
import { buildLine } from '../../core/scheme/buildLine';
import { loadPicture, rosterOf } from '../commissions/loadPicture';
import type { Stores } from '../stores';

export const ownLineSchema = object({ line: ownLine().nullable().default(null) });

/** Keeps the painter's own order for a commission, or forgets it; what does not fit the line as it is now is refused. */
export async function saveOwnLine(
  stores: Stores,
  commissionId: string | undefined,
  { line }: InferType<typeof ownLineSchema>,
  now: Date,
): Promise<void> {
  const picture = await loadPicture(stores, commissionId, now);
  if (line) {
    const { problem } = buildLine(rosterOf(picture));
    readOrder(readLineProblem({ ...problem, wishes: line.wishes }), line.order);
  }
  await stores.ownLines.save(picture.commission.id, line);
}
