import { forAll } from './givingUp';
import { listen } from './announcements';

/** Of a message that repeats what was written, its end says what is wrong. */
const LONGEST_MESSAGE = 200;

interface Background {
  /** So long after something was announced it is done. */
  afterMs: number;
  /** One at a time; it asks now and then whether it is to stop. */
  work: (isStopped: () => boolean) => Promise<void>;
  /** What is said, and only said, when it fails: "Nothing was learned from the log". */
  failed: string;
}

/** Does something in the background, now and after every change. Ends when the returned function is called, which waits for what is in hand. */
export function afterChanges({ afterMs, work, failed }: Background): () => Promise<void> {
  let timer: NodeJS.Timeout | null = null;
  let isStopped = false;
  let working = Promise.resolve();
  const begin = () => {
    timer = null;
    // Whoever wrote last may go: this is for all.
    working = forAll(() => working.then(() => (isStopped ? undefined : work(() => isStopped)))).catch((error: unknown) => {
      if (!isStopped) process.stderr.write(`${failed}: ${String(error).slice(-LONGEST_MESSAGE)}\n`);
    });
  };
  const soon = () => {
    timer ??= setTimeout(begin, afterMs);
    timer.unref();
  };
  soon();
  const deaf = listen(soon);
  return () => {
    isStopped = true;
    deaf();
    if (timer) clearTimeout(timer);
    return working;
  };
}
