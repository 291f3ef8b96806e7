import { parentPort, workerData } from 'node:worker_threads';
import { connect } from '../../data/connection';
import { asDataError } from '../../data/dataErrors';
import { databaseFile } from '../../data/folder';
import { storesOf } from '../storesOf';
import { refusalOf } from './refusals';
import { tasks, type TaskName, type TaskRequest } from './tasks';

/** Longer than any other writer of this program is at it. */
const BUSY_MS = 10_000;

/** One task in a thread, with a connection to the database of its own. */
async function run({ task, input, folder, now }: TaskRequest<TaskName>): Promise<unknown> {
  const knex = connect(databaseFile(folder), { busyMs: BUSY_MS });
  try {
    const work = tasks[task] as (stores: ReturnType<typeof storesOf>, input: unknown, now: Date) => Promise<unknown>;
    return { result: await work(storesOf(knex), input, now) };
  } catch (error) {
    return { refusal: refusalOf(asDataError(error, folder) ?? error) };
  } finally {
    await knex.destroy();
  }
}

parentPort!.postMessage(await run(workerData as TaskRequest<TaskName>));
