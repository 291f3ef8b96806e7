import { useCallback, useState } from 'react';
import { sendPatiently } from './api';
import { useDerived } from './useDerived';

const RETRY_MS = 2000;

/**
 * What a view shows, asked of the server beside the page when the view opens and whenever it is told to: a large picture would hold
 * the page up. Undefined until it is there; asked for again until the server answers. `isWorking` while it takes longer.
 */
export function usePicture<T>(url: string) {
  const [isWorking, setWorking] = useState(false);
  const ask = useCallback((signal: AbortSignal) => sendPatiently<T>(url, { onWorking: () => setWorking(true), signal }), [url]);
  const { value, error, again } = useDerived(ask, { keeps: true, retryMs: RETRY_MS });
  return { picture: value ?? undefined, error, isWorking: isWorking && error === null, reload: again };
}
