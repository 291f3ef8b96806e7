import { listen } from '../running/announcements';
import { programTime } from '../running/programTime';
import type { Gate } from '../running/gate';
import { forAll } from '../running/givingUp';
import type { Stores } from '../stores/stores';
import { taskInThread } from '../work/threads';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { isToForetell } from './foretell';
import { isToLearn } from './learnSpreads';

/** So long after something was written it is looked whether the log has taught something new. */
const AFTER_MS = 1500;
/** Rows age by the hour: it is looked so often whether another one has begun. */
const AHEAD_MS = 20_000;
/** Of a message that repeats what was written, its end says what is wrong. */
const LONGEST_MESSAGE = 200;

/**
 * Learns from the log in a thread of its own, now and whenever it has grown: pages never wait for it, they go by what was learned
 * last, the log is fitted anew before the next page asks for it, and whoever writes much passes before what is learned is written
 * down. Ends when the returned function is called.
 */
export function keepLearning(stores: Stores, folder: string, writing: Gate): () => Promise<void> {
  let timer: NodeJS.Timeout | null = null;
  let isStopped = false;
  let learning = Promise.resolve();
  const ask = <T extends 'learnSpreads' | 'foretell'>(task: T) => taskInThread<T>({ task, input: null, folder, now: programTime() });
  const learn = async () => {
    const learned = !isStopped && (await isToLearn(stores)) ? await ask('learnSpreads') : null;
    if (learned && !isStopped) await writing.together(() => stores.spreads.save(learned));
    if (!isStopped) await loadWorkshop(stores, programTime());
    while (!isStopped && (await isToForetell(stores))) {
      const foretold = await ask('foretell');
      if (!isStopped) await writing.together(() => stores.predictions.save(foretold));
    }
  };
  const look = () => {
    timer = null;
    // Whoever wrote last may go: what is learned is for all.
    learning = forAll(() => learning.then(learn)).catch((error: unknown) => {
      if (!isStopped) process.stderr.write(`Nothing was learned from the log: ${String(error).slice(-LONGEST_MESSAGE)}\n`);
    });
  };
  const soon = () => {
    timer ??= setTimeout(look, AFTER_MS);
    timer.unref();
  };
  soon();
  const deaf = listen(soon);
  const ahead = setInterval(() => {
    // Another hour, and nothing else to be told: whoever asks next is told what went wrong.
    loadWorkshop(stores, programTime()).catch(() => undefined);
  }, AHEAD_MS);
  ahead.unref();
  return () => {
    isStopped = true;
    deaf();
    clearInterval(ahead);
    if (timer) clearTimeout(timer);
    return learning;
  };
}
