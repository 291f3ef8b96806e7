import { runSolver, type SolveReport } from '../../core/line/search/runSolver';
import type { TaskAnswer, TaskName, TaskRequest } from '../work/tasks';
import type { SolveInThread } from '../work/threads';

/** Solves a line, and tells how far it has come to whoever wants to hear. */
export function solve({ port, ...request }: SolveInThread): SolveReport {
  const last = runSolver(
    request,
    () => performance.now(),
    (report) => port?.postMessage(report),
  );
  port?.postMessage(last);
  return last;
}

/** A line is solved without waiting for all that a task needs. */
export async function task(request: TaskRequest<TaskName>): Promise<TaskAnswer> {
  const { runTask } = await import('./runTask');
  return runTask(request);
}
