import { afterChanges } from '../running/afterChanges';
import type { Gate } from '../running/gate';
import { programTime } from '../running/programTime';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { searchLines } from './searchLines';

/** Edits come in bursts: their last one is searched for. */
const AFTER_MS = 500;

/**
 * Seeks better orders in a thread, now and whenever something has changed, so that looking at a view never changes what the others
 * show. Ends when the returned function is called.
 */
export const keepSearching = (stores: Stores, writing: Gate): (() => Promise<void>) =>
  afterChanges({
    afterMs: AFTER_MS,
    work: async (isStopped) => {
      const now = programTime();
      const save = (write: () => Promise<void>) => writing.together(write);
      await searchLines(stores, await loadWorkshop(stores, now), now, { save, isStopped });
    },
    failed: 'No better order was sought',
  });
