import { useCallback, useEffect, useState } from 'react';
import { sendPatiently } from './api';

const RETRY_MS = 2000;

/**
 * What a view shows, asked of the server beside the page when the view opens and whenever it is told to: a large picture would hold
 * the page up. Undefined until it is there; asked for again until the server answers. `isWorking` while it takes longer.
 */
export function usePicture<T>(url: string) {
  const [picture, setPicture] = useState<T | undefined>(undefined);
  const [error, setError] = useState<string | null>(null);
  const [isWorking, setWorking] = useState(false);
  const [attempt, setAttempt] = useState(0);
  const reload = useCallback(() => setAttempt((count) => count + 1), []);
  useEffect(() => {
    let isCurrent = true;
    let retry: ReturnType<typeof setTimeout>;
    const closed = new AbortController();
    sendPatiently<T>(url, { onWorking: () => setWorking(true), signal: closed.signal }).then(
      (answer) => {
        if (!isCurrent) return;
        setPicture(answer);
        setWorking(false);
        setError(null);
      },
      (problem: Error) => {
        if (!isCurrent) return;
        setWorking(false);
        setError(problem.message);
        retry = setTimeout(reload, RETRY_MS);
      },
    );
    return () => {
      isCurrent = false;
      closed.abort();
      clearTimeout(retry);
    };
  }, [url, attempt, reload]);
  return { picture, error, isWorking, reload };
}
