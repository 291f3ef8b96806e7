import { availableParallelism } from 'node:os';
import { isMainThread, MessageChannel, receiveMessageOnPort, type MessagePort, type Worker } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { runSolver, type SolveReport, type SolveRequest } from '../../core/line/search/runSolver';
import { GivenUpError, presentClient, stopIfGone } from '../running/givingUp';
import { latestFit } from './handedFit';
import { builtFile } from './places';
import { errorFrom } from './refusals';
import type { TaskAnswer, TaskName, TaskRequest, Tasks } from './tasks';

/** A line to solve, and where to tell how far it has come. */
export type SolveInThread = SolveRequest & { port: MessagePort | null };

/** Tasks that go by what the log has taught: they are handed what the program itself goes by. */
const BY_THE_LOG: ReadonlySet<TaskName> = new Set<TaskName>(['legSheet', 'statementPdf', 'buyingPdf', 'lineSets', 'sharing', 'priceTwins']);

/** More at a time would only take turns on the same processor, each with its own memory; what is beyond it waits. */
export const MOST_THREADS = Math.max(3, availableParallelism());
/** Beginning a thread takes a while: those not needed any more are kept for so long. */
const KEPT_MS = 10_000;
/** What a longer line takes of memory is given back with its thread. */
const MANY_JOBS = 2000;
const MOST_LONG = 2;

const poolOf = (options: { minThreads: number; maxThreads: number; idleTimeout: number }) => {
  const pool = new Piscina({ filename: builtFile('program/work.mjs'), atomics: 'disabled', ...options });
  // A thread that fails while it has nothing to do is gone, and nobody has lost anything: the pool begins another.
  pool.on('error', (error) => process.stderr.write(`A thread ended: ${String(error)}\n`));
  return pool;
};

/** One thread is ready, and begun again when it ends. */
let usual: Piscina | null = null;
const usualPool = () => (usual ??= poolOf({ minThreads: 1, maxThreads: MOST_THREADS, idleTimeout: KEPT_MS }));
let long: Piscina | null = null;
const longPool = () => (long ??= poolOf({ minThreads: 0, maxThreads: MOST_LONG, idleTimeout: 0 }));

/** Begins the thread that the first task will need. */
export const keepThreadReady = (): void => void usualPool();

/** The threads that there are at this moment. */
export const presentThreads = (): Worker[] => [...(usual?.threads ?? []), ...(long?.threads ?? [])];

/**
 * Solves a line in a thread of its own, so that the server keeps answering; what is in a thread already solves it right there.
 * Rejects when the thread fails, with a `GivenUpError` when whoever asked has gone.
 */
export async function solveInThread(request: SolveRequest, onReport?: (report: SolveReport) => void): Promise<SolveReport> {
  if (!isMainThread) return runSolver(request, () => performance.now());
  const pool = request.problem.jobs.length > MANY_JOBS ? longPool() : usualPool();
  const channel = onReport ? new MessageChannel() : null;
  channel?.port1.on('message', onReport!);
  try {
    const told: SolveInThread = { ...request, port: channel?.port2 ?? null };
    const solved = (await inPool(pool, told, 'solve', channel ? [channel.port2] : [])) as SolveReport;
    // What was told before the end is heard before the end.
    if (channel)
      for (let left = receiveMessageOnPort(channel.port1); left; left = receiveMessageOnPort(channel.port1))
        onReport!(left.message as SolveReport);
    return solved;
  } finally {
    channel?.port1.close();
  }
}

/** Does a task in a thread of its own; what it refuses is refused here with the same error. */
export async function taskInThread<T extends TaskName>(request: TaskRequest<T>): Promise<Tasks[T]['result']> {
  const fit = BY_THE_LOG.has(request.task) ? latestFit() : null;
  const answer = (await inPool(usualPool(), { ...request, fit }, 'task', [])) as TaskAnswer;
  if ('refusal' in answer) throw errorFrom(answer.refusal);
  return answer.result as Tasks[T]['result'];
}

/** A piece of work that nobody waits for any more is given up: it leaves the queue, or its thread ends. */
async function inPool(pool: Piscina, request: unknown, name: string, transferList: MessagePort[]): Promise<unknown> {
  const signal = presentClient();
  stopIfGone();
  try {
    return await pool.run(request, { name, transferList, ...(signal && { signal }) });
  } catch (error) {
    if (signal?.aborted) throw new GivenUpError('Whoever asked for this has gone.');
    throw error;
  }
}
