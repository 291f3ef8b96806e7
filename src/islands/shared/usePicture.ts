import { useCallback, useEffect, useState } from 'react';
import { send } from './api';

const RETRY_MS = 2000;

/**
 * What a view shows, asked of the server beside the page when the view opens and whenever it is told to: a large picture would hold
 * the page up. Undefined until it is there; asked for again until the server answers.
 */
export function usePicture<T>(url: string) {
  const [picture, setPicture] = useState<T | undefined>(undefined);
  const [error, setError] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const reload = useCallback(() => setAttempt((count) => count + 1), []);
  useEffect(() => {
    let isCurrent = true;
    let retry: ReturnType<typeof setTimeout>;
    send<T>('GET', url).then(
      (answer) => {
        if (!isCurrent) return;
        setPicture(answer);
        setError(null);
      },
      (problem: Error) => {
        if (!isCurrent) return;
        setError(problem.message);
        retry = setTimeout(reload, RETRY_MS);
      },
    );
    return () => {
      isCurrent = false;
      clearTimeout(retry);
    };
  }, [url, attempt, reload]);
  return { picture, error, reload };
}
