import { openDatabase, type OpenedDatabase } from '../../data/database';
import { takenAway } from '../../data/file/dataErrors';
import { dataFolder } from '../running/dataFolder';
import { keepDailyCopies } from '../running/dailyCopy';
import { Gate } from '../running/gate';
import { forAll } from '../running/givingUp';
import { adoptTime } from '../bench/adoptTime';
import { fitBy } from '../work/fitters';
import { ThreadFitter } from '../work/ThreadFitter';
import { finishOutbox } from '../mail/putInOutbox';
import { openQuestions, serving } from '../running/serving';
import { onStop } from '../running/stopping';
import { storesOf } from '../stores/storesOf';
import { keepLearning } from '../ledger/keepLearning';
import { keepSearching } from '../plan/keepSearching';
import { keepThreadReady } from '../work/threads';
import type { Stores } from '../stores/stores';

interface Running {
  database: OpenedDatabase;
  stores: Stores;
  /** Waits for the copy that is being made. */
  stopCopies: () => Promise<void>;
  /** Waits for what is being learned and sought. */
  stopBackground: () => Promise<void>;
  fitter: ThreadFitter;
}

let running: Promise<Running> | null = null;

/** Whoever writes passes together with other writers; a long import passes alone, in a thread of its own. */
export const writing = new Gate();

/** The database of the running program, opened on first use in the folder NEAT_RELAY_DATA. */
export async function openedDatabase(): Promise<Running> {
  if (running !== null) return running;
  const opening = forAll(open);
  running = opening;
  opening.catch(() => running === opening && (running = null));
  return opening;
}

async function open(): Promise<Running> {
  const database = await openDatabase(dataFolder());
  onStop(closeAtEnd);
  const stores = storesOf(database.knex);
  try {
    await adoptTime(stores);
    await finishOutbox(stores, database.folder);
  } catch (error) {
    await database.close();
    throw error;
  }
  keepThreadReady();
  const fitter = new ThreadFitter();
  fitBy(stores, fitter);
  const background = [keepLearning(stores, database.folder, writing), keepSearching(stores, writing)];
  return {
    database,
    stores,
    fitter,
    stopCopies: keepDailyCopies(database.folder),
    stopBackground: async () => void (await Promise.all(background.map((stop) => stop()))),
  };
}

/** The stores of the running program. Throws a `DataError` when their file is not there any more. */
export async function services(): Promise<Stores> {
  const { database, stores } = await openedDatabase();
  checkInPlace(database);
  return stores;
}

/** Nothing is answered as stored when it went into a file that is not in its place any more. */
export function checkInPlace({ isInPlace, folder }: OpenedDatabase): void {
  if (!isInPlace()) throw takenAway(folder);
}

/** Whoever is being answered is answered first: what they read would be closed under them. */
async function closeAtEnd(): Promise<void> {
  openQuestions.giveUpAll();
  await serving.byItself(closeDatabase);
}

/** Writes everything into the one file; the next use opens it again. */
export async function closeDatabase(): Promise<void> {
  const open = running;
  running = null;
  // What is still being worked out is of this data, and no answer to who asks of the next.
  openQuestions.giveUpAll();
  await open?.then(async ({ database, fitter, stopCopies, stopBackground }) => {
    await stopCopies();
    await stopBackground();
    await fitter.stop();
    await database.close();
  });
}
