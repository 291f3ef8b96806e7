import { useMemo } from 'react';
import { exactAttempts } from '../../../core/line/bounds/exactAttempts';
import type { CompiledLine } from '../../../core/line/problem/compiledLine';
import { useDerived } from '../../client/useDerived';
import { callOnce } from '../../client/WorkerCalls';
import type { Solver } from '../../workers/solver.worker';
import { beginSolver } from './useSolver';

const MOST_MS = 1000;

/**
 * What no order of the line is below, worked out beside the page from one that is known. Not there until then, nor for a line so long
 * that nothing more can be said than its lower bound; null asks for nothing.
 */
export function useProof(line: CompiledLine | null, order: Int32Array) {
  const prove = useMemo(() => {
    if (!line || exactAttempts(line).length === 0) return null;
    return (unwanted: AbortSignal) =>
      callOnce<Solver, number>(beginSolver, (solver) => solver.prove(line.problem, order, MOST_MS), unwanted);
  }, [line, order]);
  const { value, error, again } = useDerived(prove);
  return { bound: value ?? undefined, isBusy: prove !== null && value === null && error === null, error, again };
}
