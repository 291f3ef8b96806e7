import { parentPort } from 'node:worker_threads';
import { runSolver } from '../../core/line/search/runSolver';
import type { ThreadAnswer, WorkRequest } from './threads';

const tell = (answer: ThreadAnswer) => parentPort!.postMessage(answer);

/** One piece of work after the other, as they are asked for. */
parentPort!.on('message', (request: WorkRequest) => {
  if ('problem' in request) {
    runSolver(
      request,
      () => performance.now(),
      (report) => {
        tell({ report });
        if (report.done) tell({ result: report });
      },
    );
    return;
  }
  // A line is solved without waiting for all that a task needs.
  const task = import('./runTask');
  if (!('getReady' in request)) void task.then(({ runTask }) => runTask(request)).then(tell);
});
