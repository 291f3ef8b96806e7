import { object, type InferType } from 'yup';
import { id, list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { takeTwin } from '../schemes/takeTwin';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { removePaint } from './removePaint';

export const mergePaintsSchema = object({ pairs: list(object({ keep: id(), replace: id() }), 200, 1) });

/**
 * One paint in place of one that is the same: in every open scheme, each kept as a revision before; then the other goes from the shelf,
 * unless models carry it or a closed commission names it. Answers with how many went.
 */
export async function mergePaints(stores: Stores, { pairs }: InferType<typeof mergePaintsSchema>, now: Date): Promise<{ gone: number }> {
  let gone = 0;
  for (const pair of pairs) {
    const shelf = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
    if (!shelf.has(pair.keep)) throw new InputError('keep', pair.keep, 'name a paint of the shelf');
    // What no open scheme takes has only to go.
    if ((await stores.commissions.schemesThatName(pair.replace)).length > 0)
      await takeTwin(stores, pair, now).catch((error: unknown) => {
        if (!(error instanceof InputError && error.field === 'replace')) throw error;
      });
    try {
      await removePaint(stores, pair.replace);
      gone++;
    } catch (error) {
      if (!(error instanceof ConflictError)) throw error;
    }
  }
  return { gone };
}
