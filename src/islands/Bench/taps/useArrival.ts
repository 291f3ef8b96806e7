import { useEffect, useState } from 'react';
import { programNow } from '../../client/clock';

/** Since when this window has been looked at without a break, UTC ms: the painter has sat down to the bench. */
export function useArrival(openedAt: number): number {
  const [arrivedAt, setArrivedAt] = useState(openedAt);
  useEffect(() => {
    const onVisible = () => {
      if (document.visibilityState === 'visible') setArrivedAt(programNow());
    };
    document.addEventListener('visibilitychange', onVisible);
    return () => document.removeEventListener('visibilitychange', onVisible);
  }, []);
  return arrivedAt;
}
