import { setImmediate as others, setTimeout as pause } from 'node:timers/promises';
import type { Steps } from '../core/steps';
import { serving } from './serving';

/** So long the program works on one thing before it looks whether anybody else asks for something. */
const SLICE_MS = 25;

/** Turns of the event loop in which a request that came in meanwhile is seen. */
const TURNS_TO_SEE = 3;
/** So long the program waits for the requests it has let in. */
const LONGEST_WAIT_MS = 30;

/** Between two parts of a computation that cannot be cut smaller: whoever asks for something else is answered first, if that is short. */
export async function letOthersIn(): Promise<void> {
  for (let turn = 0; turn < TURNS_TO_SEE; turn++) await others();
  const since = performance.now();
  while (serving.count > 1 && performance.now() - since < LONGEST_WAIT_MS) await pause(1);
}

/** Goes through the steps of a long computation in slices, so that other requests are answered in between. */
export async function inSlices<T>(steps: Steps<T>): Promise<T> {
  let since = performance.now();
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    if (performance.now() - since < SLICE_MS) continue;
    await letOthersIn();
    since = performance.now();
  }
}
