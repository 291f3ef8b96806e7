import { useCallback, useEffect, useRef, useState } from 'react';
import type { LineProblem } from '../../core/line/definitions';
import type { SolveReport, SolveRequest } from '../../core/line/runSolver';

const SEED = 1;

/** A search in a worker: what it has found so far, and whether it is still at it. Starting it anew ends the one before. */
export function useSolver() {
  const worker = useRef<Worker>(undefined);
  const [report, setReport] = useState<SolveReport | null>(null);
  const [isBusy, setBusy] = useState(false);

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
        setReport(data);
        if (data.done) stop();
      });
      next.addEventListener('error', stop);
      setReport(null);
      setBusy(true);
      next.postMessage({ problem, seed: SEED, steps: null, milliseconds, start: from } satisfies SolveRequest);
    },
    [stop],
  );

  const clear = useCallback(() => {
    stop();
    setReport(null);
  }, [stop]);

  useEffect(() => () => worker.current?.terminate(), []);
  return { report, isBusy, start, clear };
}
