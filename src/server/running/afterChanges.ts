import { forAll, untilDone } from './givingUp';
import { listen, type Announcement } from './announcements';

/** Of a message that repeats what was written, its end says what is wrong. */
const LONGEST_MESSAGE = 200;

interface Delay {
  ms: number;
  /** Another one of its kind meanwhile lets it wait from the beginning: it comes when there is peace. */
  restarts: boolean;
}

interface Background {
  /** What it is done after, and how long after; what is not named changes nothing for it. It is done once at the start as after `changed`. */
  after: Partial<Record<Announcement, Delay>> & { changed: Delay };
  /** So often it is done as if something had changed. */
  everyMs?: number;
  /** One at a time; it asks now and then whether it is to stop. */
  work: (after: Announcement, isStopped: () => boolean) => Promise<void>;
  /** What is said, and only said, when it fails: "Nothing was learned from the log". */
  failed: string;
}

/** Does something in the background, now and after changes. Ends when the returned function is called, which waits for what is in hand. */
export function afterChanges({ after, everyMs, work, failed }: Background): () => Promise<void> {
  const timers = new Map<Announcement, NodeJS.Timeout>();
  let isStopped = false;
  let working = Promise.resolve();
  const doIt = async (what: Announcement) => {
    // From here on another change is one that it may not have seen.
    timers.delete(what);
    await untilDone(async () => {
      if (!isStopped) await work(what, () => isStopped);
    });
  };
  const begin = (what: Announcement) => {
    // Whoever wrote last may go: this is for all.
    working = forAll(() => working.then(() => doIt(what))).catch((error: unknown) => {
      if (!isStopped) process.stderr.write(`${failed}: ${String(error).slice(-LONGEST_MESSAGE)}\n`);
    });
  };
  const hear = (what: Announcement) => {
    const delay = after[what];
    if (!delay || (timers.has(what) && !delay.restarts)) return;
    clearTimeout(timers.get(what));
    timers.set(what, setTimeout(() => begin(what), delay.ms).unref());
  };
  hear('changed');
  const deaf = listen(hear);
  const ticking = everyMs === undefined ? null : setInterval(() => hear('changed'), everyMs).unref();
  return () => {
    isStopped = true;
    deaf();
    if (ticking) clearInterval(ticking);
    for (const timer of timers.values()) clearTimeout(timer);
    return working;
  };
}
