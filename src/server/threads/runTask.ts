import { existsSync } from 'node:fs';
import { connect } from '../../data/file/connection';
import { asDataError, takenAway } from '../../data/file/dataErrors';
import { databaseFile } from '../../data/file/folder';
import { fitBy } from '../work/fitters';
import { HandedFitter } from '../work/handedFit';
import type { Stores } from '../stores/stores';
import { storesOf } from '../stores/storesOf';
import { refusalOf } from '../work/refusals';
import { tasks } from './tasks';
import type { TaskAnswer, TaskName, TaskRequest } from '../work/tasks';

/** Longer than any other writer of this program is at it. */
const BUSY_MS = 10_000;

/** A task has a connection to the database of its own. */
export async function runTask({ task, input, folder, now, fit }: TaskRequest<TaskName>): Promise<TaskAnswer> {
  const file = databaseFile(folder);
  // It would be made anew, empty, and stand in the way of the one that is put back.
  if (!existsSync(file)) return { refusal: refusalOf(takenAway(folder)) };
  const knex = connect(file, { busyMs: BUSY_MS });
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
