import { object, type InferType } from 'yup';
import { finishingOf, finishingSchema } from '../../core/formats/commission/finishingFields';
import { count } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';

export const saveFinishingSchema = object({ revision: count(UNSAVED), finishing: finishingSchema.required() });

/** Saves how a commission ends, as a window has it that was opened at a revision. Answers with the new one. */
export async function saveFinishing(
  stores: Pick<Stores, 'commissions' | 'finishing'>,
  id: string | undefined,
  { revision, finishing }: InferType<typeof saveFinishingSchema>,
): Promise<{ revision: number }> {
  const commission = await findCommission(stores, id);
  const own = new Set(await stores.commissions.unitIds(commission.id));
  finishing.boxes.forEach(({ layers }, box) =>
    layers.forEach(({ unitId }, layer) => {
      if (!own.has(unitId)) throw new InputError(`boxes[${box}].layers[${layer}].unitId`, unitId, 'name a unit of this commission');
    }),
  );
  finishing.returns.forEach(({ count: all, packed }, index) => {
    if (packed > all) throw new InputError(`returns[${index}].packed`, packed, `give at most ${all}: there are no more of it`);
  });
  if (!(await stores.finishing.save(commission.id, finishingOf(finishing), revision)))
    throw new ConflictError(
      'The end of this commission was changed in another window after this one was opened: reload the page, then make your change again.',
    );
  return { revision: revision + 1 };
}
