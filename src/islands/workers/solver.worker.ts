import { expose } from 'comlink';
import { runSolver, type SolveReport, type SolveRequest } from '../../core/line/search/runSolver';

const solver = {
  /** Returns the last report; `tell` hears of better orders until then. */
  solve: (request: SolveRequest, tell: (report: SolveReport) => void): SolveReport => runSolver(request, () => performance.now(), tell),
};

export type Solver = typeof solver;
expose(solver);
