import { setImmediate as others, setTimeout as pause } from 'node:timers/promises';
import type { Steps } from '../../core/kernel/steps';
import { stopIfGone } from './givingUp';
import { serving } from './serving';

/** So long the program works before it looks whether anybody else asks for something. */
const SLICE_MS = 25;

/** Turns of the event loop in which a request that came in meanwhile is seen. */
const TURNS_TO_SEE = 3;
/** So long the program waits for the requests it has let in. */
const LONGEST_WAIT_MS = 30;

/** When others were let in last: many short computations one after the other are as long as one that is long. */
let letInAt = performance.now();

/**
 * Between two parts of a computation that cannot be cut smaller: whoever asks for something else is answered first, if that is
 * short. Throws a `GivenUpError` when whoever asked has gone.
 */
export async function letOthersIn(): Promise<void> {
  for (let turn = 0; turn < TURNS_TO_SEE; turn++) await others();
  const since = performance.now();
  while (serving.count > 1 && performance.now() - since < LONGEST_WAIT_MS) await pause(1);
  letInAt = performance.now();
  stopIfGone();
}

/** The same between short parts: now and then, when it is time. */
export async function letOthersInWhenDue(): Promise<void> {
  if (isDue()) await letOthersIn();
}

const isDue = (): boolean => performance.now() - letInAt >= SLICE_MS;

/** Goes through the steps of a long computation in slices, so that other requests are answered in between. */
export async function inSlices<T>(steps: Steps<T>): Promise<T> {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    if (isDue()) await letOthersIn();
  }
}
