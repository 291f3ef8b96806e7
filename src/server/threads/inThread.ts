import path from 'node:path';
import { Worker } from 'node:worker_threads';
import { errorFrom, type Refusal } from './refusals';
import type { TaskName, TaskRequest, tasks } from './tasks';

/** The thread runs from the sources, in the built server too. */
const THREAD = path.resolve('src/server/threads/task.thread.mjs');

/** Does a task in a thread of its own; what it refuses is refused here with the same error. */
export function inThread<T extends TaskName>(request: TaskRequest<T>): Promise<Awaited<ReturnType<(typeof tasks)[T]>>> {
  return new Promise((resolve, reject) => {
    const thread = new Worker(THREAD, { workerData: request });
    thread.on('message', (answer: { result: Awaited<ReturnType<(typeof tasks)[T]>> } | { refusal: Refusal }) => {
      if ('refusal' in answer) reject(errorFrom(answer.refusal));
      else resolve(answer.result);
    });
    thread.on('error', reject);
    thread.on('exit', () => reject(new Error(`The thread for ${request.task} ended without an answer.`)));
  });
}
