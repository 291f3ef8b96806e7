import { runSolver, type SolveRequest } from '../../core/line/search/runSolver';

addEventListener('message', ({ data }: MessageEvent<SolveRequest>) => {
  runSolver(
    data,
    () => performance.now(),
    (report) => postMessage(report),
  );
});
