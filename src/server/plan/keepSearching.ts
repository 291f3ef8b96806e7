import { afterChanges } from '../running/afterChanges';
import type { Gate } from '../running/gate';
import { programTime } from '../running/programTime';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { searchLines } from './searchLines';

/** Edits come in bursts: what comes of them is searched for when there is peace. */
const PEACE_MS = 10_000;
/** It is looked so often whether another day has begun, to which the dates are nearer. */
const EVERY_MS = 60_000;

/**
 * Seeks better orders in a thread: at once for the line that is being arranged, for all others when nothing has changed for a moment;
 * looking at a view never changes what the others show. Taps change no line, only how much of it is left. Ends when the returned
 * function is called.
 */
export const keepSearching = (stores: Stores, writing: Gate): (() => Promise<void>) =>
  afterChanges({
    after: { wanted: { ms: 0, restarts: false }, changed: { ms: PEACE_MS, restarts: true } },
    everyMs: EVERY_MS,
    work: async (after, isStopped) => {
      const now = programTime();
      const save = (write: () => Promise<void>) => writing.together(write);
      await searchLines(stores, await loadWorkshop(stores, now), now, { isOnlyChosen: after === 'wanted', save, isStopped });
    },
    failed: 'No better order was sought',
  });
