import { AsyncLocalStorage } from 'node:async_hooks';

/** Nobody waits any more for what was being worked out. */
export class GivenUpError extends Error {
  override readonly name = 'GivenUpError';
}

/** The status of an answer that nobody hears. */
export const UNHEARD = 499;

/** Whom the present computation is for: what it begins is for the same one. */
const client = new AsyncLocalStorage<AbortSignal>();

/** Works for somebody who may go: then the work is given up between two of its steps. */
export const forClient = <T>(signal: AbortSignal, work: () => Promise<T>): Promise<T> => client.run(signal, work);

/** Works for everybody, whoever asked first. */
export const forAll = <T>(work: () => Promise<T>): Promise<T> => client.exit(work);

/** Of whom the present work is for; undefined where it is for everybody. */
export const presentClient = (): AbortSignal | undefined => client.getStore();

export function stopIfGone(signal = client.getStore()): void {
  if (signal?.aborted) throw new GivenUpError('Whoever asked for this has gone.');
}

/** Work that was shared with somebody who has gone is begun again by whoever still waits; without a signal that is everybody. */
export async function untilDone<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (!(error instanceof GivenUpError) || signal?.aborted) throw error;
    }
  }
}
