import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { SolveReport, SolveRequest } from '../../core/line/search/runSolver';
import { latestFit } from '../fitting/handedFit';
import { GivenUpError, presentClient, stopIfGone } from '../givingUp';
import { errorFrom, type Refusal } from './refusals';
import type { TaskName, TaskRequest, tasks } from './tasks';

/** The threads run from the sources, in the built server too: it is the same code that the browser's workers have. */
const THREAD = path.resolve('src/server/threads/work.thread.mjs');
/** Beginning a thread takes half a second: one is kept for the next piece of work. */
const MOST_IDLE = 1;

/** Tasks that go by what the log has taught: they are handed what the program itself goes by. */
const BY_THE_LOG: ReadonlySet<TaskName> = new Set<TaskName>(['legSheet', 'statementPdf', 'lineSets', 'sharing', 'priceTwins']);

/** A request to get ready for tasks is not answered. */
export type WorkRequest = SolveRequest | TaskRequest<TaskName> | { getReady: true };
export type ThreadAnswer = { report: SolveReport } | { result: unknown } | { refusal: Refusal };

const idle: Worker[] = [];

/** Solves a line in a thread of its own, so that the server keeps answering. Rejects when the thread fails. */
export const solveInThread = (request: SolveRequest, onReport?: (report: SolveReport) => void): Promise<SolveReport> =>
  inThread(request, onReport) as Promise<SolveReport>;

/** Does a task in a thread of its own; what it refuses is refused here with the same error. */
export const taskInThread = <T extends TaskName>(request: TaskRequest<T>): ReturnType<(typeof tasks)[T]> =>
  inThread({ ...request, fit: BY_THE_LOG.has(request.task) ? latestFit() : null }) as ReturnType<(typeof tasks)[T]>;

/** Begins the thread that the first task will need, which takes it half a second. */
export function keepThreadReady(): void {
  if (idle.length > 0) return;
  const thread = begin();
  thread.postMessage({ getReady: true } satisfies WorkRequest);
  putAside(thread);
}

function inThread(
  request: Exclude<WorkRequest, { getReady: true }>,
  onReport: (report: SolveReport) => void = () => undefined,
): Promise<unknown> {
  const gone = presentClient();
  stopIfGone();
  const thread = idle.pop() ?? begin();
  thread.ref();
  return new Promise((resolve, reject) => {
    const leave = () => {
      stopHearing();
      void thread.terminate();
      reject(new GivenUpError('Whoever asked for this has gone.'));
    };
    const fail = (error: unknown) =>
      reject(error instanceof Error ? error : new Error(`A thread ended without an answer (${String(error)}).`));
    const hear = (answer: ThreadAnswer) => {
      if ('report' in answer) return onReport(answer.report);
      stopHearing();
      if (isHeavy(request)) void thread.terminate();
      else putAside(thread);
      if ('refusal' in answer) reject(errorFrom(answer.refusal));
      else resolve(answer.result);
    };
    const stopHearing = () => {
      thread.off('message', hear).off('error', fail).off('exit', fail);
      gone?.removeEventListener('abort', leave);
    };
    thread.on('message', hear).on('error', fail).on('exit', fail);
    gone?.addEventListener('abort', leave, { once: true });
    thread.postMessage(request);
  });
}

function begin(): Worker {
  const thread = new Worker(THREAD);
  thread.on('exit', () => {
    if (idle.includes(thread)) idle.splice(idle.indexOf(thread), 1);
  });
  return thread;
}

/** What a long line took of memory is given back with the thread. */
const MANY_JOBS = 2000;
const isHeavy = (request: Exclude<WorkRequest, { getReady: true }>): boolean =>
  'problem' in request && request.problem.jobs.length > MANY_JOBS;

/** An idle thread does not keep the program from ending. */
function putAside(thread: Worker): void {
  if (idle.length >= MOST_IDLE) return void thread.terminate();
  thread.unref();
  idle.push(thread);
}
