import { useEffect, useRef, useState } from 'react';

/** So long a finger is on its way to a button that it saw before. */
const ON_ITS_WAY_MS = 1200;

/**
 * Keeps a button from meaning something else under the finger: where it turned from marking a model to taking something up by no tap
 * of this window (another device, a change at Intake), what is pressed within a moment is not taken, and said so.
 */
export function useSteady(meaning: 'done' | 'start' | 'none', ownTaps: number): { isHeld: boolean; press: (act: () => void) => void } {
  const [isHeld, setHeld] = useState(false);
  const seen = useRef({ meaning, ownTaps });
  const turnedAt = useRef(-Infinity);
  useEffect(() => {
    if (seen.current.meaning === 'done' && meaning === 'start' && seen.current.ownTaps === ownTaps) turnedAt.current = performance.now();
    seen.current = { meaning, ownTaps };
  }, [meaning, ownTaps]);
  const press = (act: () => void) => {
    const held = meaning === 'start' && performance.now() - turnedAt.current < ON_ITS_WAY_MS;
    setHeld(held);
    if (!held) act();
  };
  return { isHeld, press };
}
