import { connect } from '../../data/connection';
import { asDataError } from '../../data/dataErrors';
import { databaseFile } from '../../data/folder';
import type { Stores } from '../stores';
import { storesOf } from '../storesOf';
import { refusalOf } from './refusals';
import { tasks, type TaskName, type TaskRequest } from './tasks';
import type { ThreadAnswer } from './threads';

/** Longer than any other writer of this program is at it. */
const BUSY_MS = 10_000;

/** A task has a connection to the database of its own. */
export async function runTask({ task, input, folder, now }: TaskRequest<TaskName>): Promise<ThreadAnswer> {
  const knex = connect(databaseFile(folder), { busyMs: BUSY_MS });
  try {
    const work = tasks[task] as (stores: Stores, input: unknown, now: Date) => Promise<unknown>;
    return { result: await work(storesOf(knex), input, now) };
  } catch (error) {
    return { refusal: refusalOf(asDataError(error, folder) ?? error) };
  } finally {
    await knex.destroy();
  }
}
