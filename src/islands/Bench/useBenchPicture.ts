import { useCallback, useEffect, useState } from 'react';
import type { BenchPicture } from '../../core/views/bench';
import { send } from '../shared/api';
import { hearTime } from '../shared/clock';

const RETRY_MS = 2000;

/** What is on the bench, asked of the server when the view opens and whenever it says that something changed. */
export function useBenchPicture() {
  const [picture, setPicture] = useState<BenchPicture | null | undefined>(undefined);
  const [error, setError] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const reload = useCallback(() => setAttempt((count) => count + 1), []);
  useEffect(() => {
    let isCurrent = true;
    let retry: ReturnType<typeof setTimeout>;
    send<BenchPicture | null>('GET', '/api/bench').then(
      (answer) => {
        if (answer) hearTime(answer.now);
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
  }, [attempt, reload]);
  return { picture, error, reload };
}
