import { boolean, object, type InferType } from 'yup';
import { atLeast, id, list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import type { Stores } from '../stores/stores';
import { LARGEST_POT_ML } from './savePaint';

const level = object({
  /** Made by the page, so that the same level sent twice counts once. */
  id: id(),
  paintId: id(),
  ml: atLeast(0, `millilitres from 0 to ${LARGEST_POT_ML}`).max(LARGEST_POT_ML),
  byEye: boolean().strict().required(),
});
export const potLevelsSchema = object({ levels: list(level, 2000, 1) });

/** Writes down what is left in some pots now. */
export async function readPots(stores: Stores, { levels }: InferType<typeof potLevelsSchema>, now: Date): Promise<void> {
  const shelf = new Set((await stores.paints.list()).map((paint) => paint.id));
  levels.forEach(({ paintId }, index) => {
    if (!shelf.has(paintId)) throw new InputError(`levels[${index}].paintId`, paintId, 'name a paint of the shelf');
  });
  await stores.allOrNothing(({ paints }) => paints.addLevels(levels.map((each) => ({ ...each, at: now.toISOString() }))));
}

/** Takes back what was read off a pot. */
export const forgetLevel = (stores: Stores, levelId = ''): Promise<void> => stores.paints.removeLevel(levelId);
