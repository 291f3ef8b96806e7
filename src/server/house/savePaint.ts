import { object, type InferType } from 'yup';
import { paintSchema } from '../../core/formats/scheme/commissionSchemas';
import { count } from '../../core/formats/fields';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';

export const savePaintSchema = object({ revision: count(UNSAVED), paint: paintSchema.required() });

/** Puts a new paint on the shelf, or changes one as a window shows it that was opened at a revision. Answers with the new one. */
export async function savePaint(
  stores: Pick<Stores, 'paints'>,
  { revision, paint }: InferType<typeof savePaintSchema>,
): Promise<{ revision: number }> {
  if (!(await stores.paints.save(paint, revision)))
    throw new ConflictError(
      `${paint.name} was changed in another window after this one was opened: reload the page, then make your change again.`,
    );
  return { revision: revision + 1 };
}
