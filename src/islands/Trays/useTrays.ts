import { useEffect, useState } from 'react';
import type { TrayChoice } from '../../core/plan/choices/trayChoices';
import { watchWorker } from '../shared/watchWorker';
import type { TraysRequest } from '../workers/trays.worker';

interface Found {
  of: TraysRequest;
  choices: TrayChoice[];
  isDone: boolean;
  /** The splits could not be tried to the end. */
  error: string | null;
}

/** Tries the splits beside the page and tells of each as it is known. The request must stay the same object while it does. */
export function useTrays(request: TraysRequest): Omit<Found, 'of'> {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    const choices: TrayChoice[] = [];
    const worker = new Worker(new URL('../workers/trays.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<TrayChoice | null>) => {
      if (data) choices.push(data);
      setFound({ of: request, choices: [...choices], isDone: data === null, error: null });
    });
    watchWorker(worker, (error) => setFound({ of: request, choices: [...choices], isDone: false, error }));
    worker.postMessage(request);
    return () => worker.terminate();
  }, [request]);
  return found?.of === request ? found : { choices: [], isDone: false, error: null };
}
