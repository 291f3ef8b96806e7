import { listen } from '../bench/announcements';
import { programTime } from '../programTime';
import type { Stores } from '../stores';
import { taskInThread } from '../threads/threads';
import { isToLearn } from './learnSpreads';

/** So long after something was written it is looked whether the log has taught something new. */
const AFTER_MS = 1500;

/**
 * Learns from the log in a thread of its own, now and whenever it has grown: pages never wait for it, they go by what was learned
 * last. Ends when the returned function is called.
 */
export function keepLearning(stores: Stores, folder: string): () => Promise<void> {
  let timer: NodeJS.Timeout | null = null;
  let learning = Promise.resolve();
  const look = () => {
    timer = null;
    learning = learning
      .then(async () => {
        if (await isToLearn(stores)) await taskInThread({ task: 'learnSpreads', input: null, folder, now: programTime() });
      })
      .catch((error: unknown) => void process.stderr.write(`Nothing was learned from the log: ${String(error)}\n`));
  };
  const soon = () => {
    timer ??= setTimeout(look, AFTER_MS);
    timer.unref();
  };
  soon();
  const deaf = listen(soon);
  return () => {
    deaf();
    if (timer) clearTimeout(timer);
    return learning;
  };
}
