import { SECOND_MS } from '../../core/kernel/timeUnits';
import { uptime } from 'node:os';
import { SteadyClock } from '../../core/bench/replay/SteadyClock';

/** One clock for the whole program: what is shown, what is recorded and what open windows are told agree. */
export const clock = new SteadyClock(
  () => Date.now(),
  () => uptime() * SECOND_MS,
);

export const programTime = (): Date => new Date(clock.now());
