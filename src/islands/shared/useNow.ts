import { useEffect, useState } from 'react';

/**
 * The present (UTC ms) as `read` tells it, moving on every `everyMs`; starts from the server's so that both draw the same first
 * picture.
 */
export function useNow(start: number, everyMs: number, read: () => number = Date.now): number {
  const [now, setNow] = useState(start);
  useEffect(() => {
    const tick = () => setNow(read());
    tick();
    const timer = setInterval(tick, everyMs);
    return () => clearInterval(timer);
  }, [everyMs, read]);
  return now;
}
