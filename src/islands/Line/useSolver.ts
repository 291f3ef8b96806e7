import { useCallback, useEffect, useRef, useState } from 'react';
import type { LineProblem } from '../../core/line/definitions';
import type { SolveReport, SolveRequest } from '../../core/line/search/runSolver';
import { watchWorker } from '../shared/watchWorker';

const SEED = 1;

/** A search in a worker: what it has found so far, and whether it is still at it. Starting it anew ends the one before. */
export function useSolver() {
  const worker = useRef<Worker>(undefined);
  const [found, setFound] = useState<{ of: LineProblem; report: SolveReport } | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    setBusy(false);
  }, []);

  const start = useCallback(
    (problem: LineProblem, milliseconds: number, from?: Int32Array) => {
      stop();
      const next = new Worker(new URL('../workers/solver.worker.ts', import.meta.url), { type: 'module' });
      worker.current = next;
      next.addEventListener('message', ({ data }: MessageEvent<SolveReport>) => {
        setFound({ of: problem, report: data });
        if (data.done) stop();
      });
      watchWorker(next, (error) => {
        setFailed(error);
        stop();
      });
      setFailed(null);
      setFound(null);
      setBusy(true);
      next.postMessage({ problem, seed: SEED, steps: null, milliseconds, start: from } satisfies SolveRequest);
    },
    [stop],
  );

  const clear = useCallback(() => {
    stop();
    setFound(null);
  }, [stop]);

  useEffect(() => () => worker.current?.terminate(), []);
  /** What has been found for this very problem; null while nothing has, or when the search was for another one. */
  const reportOn = (problem: LineProblem) => (found?.of === problem ? found.report : null);
  return { reportOn, isBusy, failed, start, clear };
}
