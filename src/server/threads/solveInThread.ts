import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { SolveReport, SolveRequest } from '../../core/line/runSolver';

/** The thread runs from the sources, in the built server too: it is the same code that the browser's worker has. */
const THREAD = path.resolve('src/server/threads/solver.thread.mjs');

/** Solves a line in a thread of its own, so that the server keeps answering. Rejects when the thread fails. */
export function solveInThread(request: SolveRequest, onReport: (report: SolveReport) => void = () => undefined): Promise<SolveReport> {
  return new Promise((resolve, reject) => {
    const thread = new Worker(THREAD, { workerData: request });
    thread.on('message', (report: SolveReport) => {
      onReport(report);
      if (report.done) resolve(report);
    });
    thread.on('error', reject);
  });
}
