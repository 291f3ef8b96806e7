import { parentPort, workerData } from 'node:worker_threads';
import { runSolver, type SolveRequest } from '../../core/line/runSolver';

runSolver(
  workerData as SolveRequest,
  () => performance.now(),
  (report) => parentPort!.postMessage(report),
);
