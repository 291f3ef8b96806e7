import { expose } from 'comlink';
import { leastTotal } from '../../core/line/bounds/leastTotal';
import type { LineProblem } from '../../core/line/definitions';
import { compileLine } from '../../core/line/problem/compileLine';
import { runSolver, type SolveReport, type SolveRequest } from '../../core/line/search/runSolver';

const solver = {
  /** Returns the last report; `tell` hears of better orders until then. */
  solve: (request: SolveRequest, tell: (report: SolveReport) => void): SolveReport => runSolver(request, () => performance.now(), tell),
  /** What no order is below, as near as it can be told in so long. */
  prove: (problem: LineProblem, order: Int32Array, milliseconds: number): number => {
    const until = performance.now() + milliseconds;
    return leastTotal(compileLine(problem), order, () => performance.now() >= until);
  },
};

export type Solver = typeof solver;
expose(solver);
