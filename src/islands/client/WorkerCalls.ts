import { wrap, type Remote } from 'comlink';

/** What was asked is not wanted any more: its worker was closed. */
export class ClosedError extends Error {
  override readonly name = 'ClosedError';
}

const FAILED = 'The browser broke off what was being worked out here: try again, or reload the page.';

interface Opened<T> {
  worker: Worker;
  remote: Remote<T>;
}

/**
 * The functions of a worker, `T`, called beside the page. The worker begins with the first call, and anew with the first one after it
 * has failed. Every call settles: with its answer, with an error in words for the painter, or with a `ClosedError`.
 */
export class WorkerCalls<T> {
  private opened: Opened<T> | null = null;
  private readonly waiting = new Set<(reason: Error) => void>();

  /** `prepare` is called first, on every worker that is begun. */
  constructor(
    private readonly begin: () => Worker,
    private readonly prepare: (remote: Remote<T>) => unknown = () => undefined,
  ) {}

  call<R>(ask: (remote: Remote<T>) => Promise<R>): Promise<R> {
    const { remote } = (this.opened ??= this.open());
    return new Promise<R>((resolve, reject) => {
      this.waiting.add(reject);
      ask(remote)
        .then(resolve, (cause: unknown) => reject(new Error(FAILED, { cause })))
        .finally(() => this.waiting.delete(reject));
    });
  }

  close(): void {
    this.end(new ClosedError('Nobody waits for this any more.'));
  }

  private open(): Opened<T> {
    const worker = this.begin();
    // Without this whoever waits would wait for good.
    for (const kind of ['error', 'messageerror']) worker.addEventListener(kind, () => this.end(new Error(FAILED)));
    const remote = wrap<T>(worker);
    this.prepare(remote);
    return { worker, remote };
  }

  private end(reason: Error): void {
    this.opened?.worker.terminate();
    this.opened = null;
    for (const reject of this.waiting) reject(reason);
    this.waiting.clear();
  }
}

/** Workers that have answered, by how they are begun: what a worker has worked out once it works out faster the next time. */
const idle = new Map<() => Worker, unknown>();

/** One call to a worker that has nothing else to do, which ends when nobody wants the answer any more. */
export async function callOnce<T, R>(begin: () => Worker, ask: (remote: Remote<T>) => Promise<R>, unwanted: AbortSignal): Promise<R> {
  const calls = (idle.get(begin) as WorkerCalls<T> | undefined) ?? new WorkerCalls<T>(begin);
  idle.delete(begin);
  const leave = () => calls.close();
  unwanted.addEventListener('abort', leave);
  try {
    const answer = await calls.call(ask);
    if (idle.has(begin)) calls.close();
    else idle.set(begin, calls);
    return answer;
  } catch (error) {
    calls.close();
    throw error;
  } finally {
    unwanted.removeEventListener('abort', leave);
  }
}
