import { forClient, GivenUpError } from '../running/givingUp';

/** So long a request waits; then it is told that the answer is still being worked out, and asks again. */
const PATIENCE_MS = 1200;
/** Work that nobody has asked for in so long is given up. */
const FORGOTTEN_MS = 8_000;
const LOOKS_EVERY_MS = 1_000;

interface Work {
  answer: Promise<unknown>;
  waiting: number;
  askedAt: number;
  leave: AbortController;
}

const works = new Map<string, Work>();

/**
 * The answer to a question if it is there in a moment, else null: it goes on being worked out for whoever asks the same again, and is
 * given up when nobody does. `key` says what is asked of which data.
 */
export async function soon<T>(key: string, work: () => Promise<T>): Promise<{ ready: T } | null> {
  const known = works.get(key) ?? begin(key, work);
  known.waiting++;
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), PATIENCE_MS)));
  try {
    const ready = await Promise.race([(known.answer as Promise<T>).then((answer) => ({ ready: answer })), late]);
    if (ready && works.get(key) === known) works.delete(key);
    return ready;
  } finally {
    clearTimeout(timer);
    known.waiting--;
    known.askedAt = performance.now();
  }
}

/** Gives up all that is being worked out: the data is about to be another. */
export function giveUpAll(): void {
  for (const { leave } of works.values()) leave.abort();
  works.clear();
}

function begin(key: string, work: () => Promise<unknown>): Work {
  const leave = new AbortController();
  const begun: Work = { answer: untilDone(leave.signal, work), waiting: 0, askedAt: performance.now(), leave };
  works.set(key, begun);
  begun.answer.catch(() => works.get(key) === begun && works.delete(key));
  lookAfter();
  return begun;
}

/** Work that was shared with somebody who has gone is begun again by whoever still waits. */
export async function untilDone<T>(signal: AbortSignal, work: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await forClient(signal, work);
    } catch (error) {
      if (!(error instanceof GivenUpError) || signal.aborted) throw error;
    }
  }
}

let looking: NodeJS.Timeout | null = null;

function lookAfter(): void {
  looking ??= setInterval(() => {
    for (const [key, work] of works) {
      if (work.waiting > 0 || performance.now() - work.askedAt < FORGOTTEN_MS) continue;
      work.leave.abort();
      works.delete(key);
    }
    if (works.size > 0 || looking === null) return;
    clearInterval(looking);
    looking = null;
  }, LOOKS_EVERY_MS);
  looking.unref();
}
