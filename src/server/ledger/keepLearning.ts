import { afterChanges } from '../running/afterChanges';
import { programTime } from '../running/programTime';
import type { Gate } from '../running/gate';
import type { Stores } from '../stores/stores';
import { taskInThread } from '../work/threads';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { isToForetell } from './foretell';
import { isToLearn } from './learnSpreads';

/** So long after something was written it is looked whether the log has taught something new. */
const AFTER_MS = 1500;
/** Rows age by the hour: it is looked so often whether another one has begun. */
const AHEAD_MS = 20_000;

/**
 * Learns from the log in a thread of its own, now and whenever it has grown: pages never wait for it, they go by what was learned
 * last, the log is fitted anew before the next page asks for it, and whoever writes much passes before what is learned is written
 * down. Ends when the returned function is called.
 */
export function keepLearning(stores: Stores, folder: string, writing: Gate): () => Promise<void> {
  const ask = <T extends 'learnSpreads' | 'foretell'>(task: T) => taskInThread<T>({ task, input: null, folder, now: programTime() });
  const stop = afterChanges({
    after: { changed: { ms: AFTER_MS, restarts: false }, events: { ms: AFTER_MS, restarts: false } },
    work: async (_after, isStopped) => {
      const learned = (await isToLearn(stores)) ? await ask('learnSpreads') : null;
      if (learned && !isStopped()) await writing.together(() => stores.spreads.save(learned));
      if (!isStopped()) await loadWorkshop(stores, programTime());
      while (!isStopped() && (await isToForetell(stores))) {
        const foretold = await ask('foretell');
        if (!isStopped()) await writing.together(() => stores.predictions.save(foretold));
      }
    },
    failed: 'Nothing was learned from the log',
  });
  const ahead = setInterval(() => {
    // Another hour, and nothing else to be told: whoever asks next is told what went wrong.
    loadWorkshop(stores, programTime()).catch(() => undefined);
  }, AHEAD_MS);
  ahead.unref();
  return () => {
    clearInterval(ahead);
    return stop();
  };
}
