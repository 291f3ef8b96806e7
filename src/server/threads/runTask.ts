import { connect } from '../../data/connection';
import { asDataError } from '../../data/dataErrors';
import { databaseFile } from '../../data/folder';
import { fitBy } from '../fitting/fitters';
import { HandedFitter } from '../fitting/handedFit';
import type { Stores } from '../stores';
import { storesOf } from '../storesOf';
import { refusalOf } from './refusals';
import { tasks, type TaskName, type TaskRequest } from './tasks';
import type { ThreadAnswer } from './threads';

/** Longer than any other writer of this program is at it. */
const BUSY_MS = 10_000;

/** A task has a connection to the database of its own. */
export async function runTask({ task, input, folder, now, fit }: TaskRequest<TaskName>): Promise<ThreadAnswer> {
  const knex = connect(databaseFile(folder), { busyMs: BUSY_MS });
  try {
    const work = tasks[task] as (stores: Stores, input: unknown, now: Date) => Promise<unknown>;
    const stores = storesOf(knex);
    if (fit) fitBy(stores, new HandedFitter(fit));
    return { result: await work(stores, input, now) };
  } catch (error) {
    return { refusal: refusalOf(asDataError(error, folder) ?? error) };
  } finally {
    await knex.destroy();
  }
}
