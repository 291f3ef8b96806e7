import { useEffect, useRef, useState } from 'react';

/** So long a finger is on its way to a button that it saw before. */
const ON_ITS_WAY_MS = 1200;

/** What the big button does: marks a model, takes something up, or nothing while all is wet. */
export type Meaning = 'done' | 'start' | 'wet' | 'none';

/** A model that was not painted would be marked, or something begun, by a tap that meant what stood there before. */
const isTurned = (before: Meaning, now: Meaning): boolean => (before === 'done' && now === 'start') || (before === 'wet' && now === 'done');

/**
 * Keeps a button from meaning something else under the finger: where it turned by no tap of this window (something dried, another
 * device, a change at Intake), what is pressed within a moment is not taken, and said so.
 */
export function useSteady(meaning: Meaning, ownTaps: number): { isHeld: boolean; press: (act: () => void) => void } {
  const [isHeld, setHeld] = useState(false);
  const seen = useRef({ meaning, ownTaps, since: Infinity });
  const turnedAt = useRef(-Infinity);
  useEffect(() => {
    const before = seen.current;
    const now = performance.now();
    // What stood there for less than a finger takes nobody meant: a window that opens hears the time a moment later.
    const wasSeen = now - before.since >= ON_ITS_WAY_MS;
    if (wasSeen && isTurned(before.meaning, meaning) && before.ownTaps === ownTaps) turnedAt.current = now;
    seen.current = { meaning, ownTaps, since: before.meaning === meaning ? Math.min(before.since, now) : now };
  }, [meaning, ownTaps]);
  const press = (act: () => void) => {
    const held = (meaning === 'start' || meaning === 'done') && performance.now() - turnedAt.current < ON_ITS_WAY_MS;
    setHeld(held);
    if (!held) act();
  };
  return { isHeld, press };
}
