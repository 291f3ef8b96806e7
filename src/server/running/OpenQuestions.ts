import { forClient, untilDone } from './givingUp';

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

/** Questions that take long, each worked out once for all who ask it. */
export class OpenQuestions {
  private readonly works = new Map<string, Work>();
  private looking: NodeJS.Timeout | null = null;

  /**
   * The answer to a question if it is there in a moment, else null: it goes on being worked out for whoever asks the same again, and is
   * given up when nobody does. `key` says what is asked of which data.
   */
  async soon<T>(key: string, work: () => Promise<T>): Promise<{ ready: T } | null> {
    const known = this.works.get(key) ?? this.begin(key, work);
    known.waiting++;
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), PATIENCE_MS)));
    try {
      const ready = await Promise.race([(known.answer as Promise<T>).then((answer) => ({ ready: answer })), late]);
      if (ready && this.works.get(key) === known) this.works.delete(key);
      return ready;
    } finally {
      clearTimeout(timer);
      known.waiting--;
      known.askedAt = performance.now();
    }
  }

  /** Gives up all that is being worked out: the data is about to be another. */
  giveUpAll(): void {
    for (const { leave } of this.works.values()) leave.abort();
    this.works.clear();
  }

  private begin(key: string, work: () => Promise<unknown>): Work {
    const leave = new AbortController();
    const begun: Work = {
      answer: untilDone(() => forClient(leave.signal, work), leave.signal),
      waiting: 0,
      askedAt: performance.now(),
      leave,
    };
    this.works.set(key, begun);
    begun.answer.catch(() => this.works.get(key) === begun && this.works.delete(key));
    this.looking ??= this.lookAfter();
    return begun;
  }

  private lookAfter(): NodeJS.Timeout {
    const looking = setInterval(() => {
      for (const [key, work] of this.works) {
        if (work.waiting > 0 || performance.now() - work.askedAt < FORGOTTEN_MS) continue;
        work.leave.abort();
        this.works.delete(key);
      }
      if (this.works.size > 0) return;
      clearInterval(looking);
      this.looking = null;
    }, LOOKS_EVERY_MS);
    return looking.unref();
  }
}
