import { useLayoutEffect, useState } from 'react';
import { hearTime, programNow } from '../client/clock';
import { useNow } from './useNow';

/**
 * The program's time (UTC ms), moving on every `everyMs`. A device whose clock is wrong goes by what the picture told from the first
 * tick on: it is heard before anything ticks. Later the stream tells the time: a picture that was long on its way would set it back.
 */
export function useProgramNow(told: number, everyMs: number): number {
  const [first] = useState(told);
  useLayoutEffect(() => hearTime(first), [first]);
  return useNow(told, everyMs, programNow);
}
