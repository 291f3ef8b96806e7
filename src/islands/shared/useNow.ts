import { useEffect, useState } from 'react';

/** The present (UTC ms), moving on every `everyMs`; starts from the server's so that both draw the same first picture. */
export function useNow(start: number, everyMs: number): number {
  const [now, setNow] = useState(start);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
