import { expose } from 'comlink';
import { runSolver, type SolveReport, type SolveRequest } from '../../core/line/search/runSolver';

const solver = {
  /** Returns the last report; `tell` hears of better orders until then. */
  solve: (request: SolveRequest, tell: (report: SolveReport) => void): SolveReport => {
    let last: SolveReport | null = null;
    runSolver(
      request,
      () => performance.now(),
      (report) => {
        last = report;
        if (!report.done) tell(report);
      },
    );
    return last!;
  },
};

export type Solver = typeof solver;
expose(solver);
