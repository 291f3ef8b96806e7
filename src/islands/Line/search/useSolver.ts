import { proxy } from 'comlink';
import { useCallback, useState } from 'react';
import type { LineProblem } from '../../../core/line/definitions';
import type { SolveReport } from '../../../core/line/search/runSolver';
import { useDerived } from '../../client/useDerived';
import { callOnce } from '../../client/WorkerCalls';
import type { Solver } from '../../workers/solver.worker';

const SEED = 1;

/** What is searched, by how many moves and for how long at most, and from which order. It must stay the same object while it is. */
export interface Search {
  problem: LineProblem;
  steps: number;
  milliseconds: number;
  start: Int32Array;
}

export const beginSolver = () => new Worker(new URL('../../workers/solver.worker.ts', import.meta.url), { type: 'module' });

/** A search beside the page: what it has found so far, and whether it is still at it; null searches nothing. */
export function useSolver(search: Search | null) {
  const [soFar, setSoFar] = useState<{ of: Search; report: SolveReport } | null>(null);
  const work = useCallback(
    (unwanted: AbortSignal) => {
      const { problem, steps, milliseconds, start } = search!;
      const tell = proxy((report: SolveReport) => {
        if (!unwanted.aborted) setSoFar({ of: search!, report });
      });
      const request = { problem, seed: SEED, steps, milliseconds, start };
      return callOnce<Solver, SolveReport>(beginSolver, (solver) => solver.solve(request, tell), unwanted);
    },
    [search],
  );
  const { value, error, again } = useDerived(search && work);
  return {
    report: search && (value ?? (soFar?.of === search ? soFar.report : null)),
    isBusy: search !== null && value === null && error === null,
    error,
    again,
  };
}
