import { proxy } from 'comlink';
import { useCallback, useState } from 'react';
import type { TrayChoice } from '../../core/plan/choices/trayChoices';
import { useDerived } from '../client/useDerived';
import { callOnce } from '../client/WorkerCalls';
import type { TraysRequest, TraysWorker } from '../workers/trays.worker';

const begin = () => new Worker(new URL('../workers/trays.worker.ts', import.meta.url), { type: 'module' });
const NONE: TrayChoice[] = [];

/** Tries the splits beside the page and tells of each as it is known. The request must stay the same object while it does. */
export function useTrays(request: TraysRequest) {
  const [tried, setTried] = useState<{ of: TraysRequest; choices: TrayChoice[] } | null>(null);
  const work = useCallback(
    async (unwanted: AbortSignal) => {
      let choices = NONE;
      const tell = proxy((choice: TrayChoice) => {
        choices = [...choices, choice];
        if (!unwanted.aborted) setTried({ of: request, choices });
      });
      await callOnce<TraysWorker, unknown>(begin, (trays) => trays.tryAll(request, tell), unwanted);
      return choices;
    },
    [request],
  );
  const { value, error, again } = useDerived(work);
  return { choices: value ?? (tried?.of === request ? tried.choices : NONE), isDone: value !== null, error, again };
}
