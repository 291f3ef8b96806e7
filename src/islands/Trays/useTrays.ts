import { useEffect, useState } from 'react';
import type { TrayChoice } from '../../core/scheme/trayChoices';
import type { TraysRequest } from '../workers/trays.worker';

interface Found {
  of: TraysRequest;
  choices: TrayChoice[];
  isDone: boolean;
}

/** Tries the splits beside the page and tells of each as it is known. The request must stay the same object while it does. */
export function useTrays(request: TraysRequest): Pick<Found, 'choices' | 'isDone'> {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    const choices: TrayChoice[] = [];
    const worker = new Worker(new URL('../workers/trays.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<TrayChoice | null>) => {
      if (data) choices.push(data);
      setFound({ of: request, choices: [...choices], isDone: data === null });
    });
    worker.postMessage(request);
    return () => worker.terminate();
  }, [request]);
  return found?.of === request ? found : { choices: [], isDone: false };
}
