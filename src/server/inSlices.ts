import { setImmediate as others } from 'node:timers/promises';
import type { Steps } from '../core/steps';

/** So long the program works on one thing before it looks whether anybody else asks for something. */
const SLICE_MS = 25;

/** An answer takes several turns of the event loop: reading, looking things up, compressing, sending. */
const TURNS = 12;

/** Between two parts of a computation that cannot be cut smaller. */
export async function letOthersIn(): Promise<void> {
  for (let turn = 0; turn < TURNS; turn++) await others();
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
