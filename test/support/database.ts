import { copyFileSync } from 'node:fs';
import { openDatabase, type OpenedDatabase } from '../../src/data/database';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { connect } from '../../src/data/file/connection';
import { databaseFile } from '../../src/data/file/folder';
import { ulid } from 'ulid';
import { template } from './templates';
import { temporaryFolder } from './temporaryFolder';
import { foretell, isToForetell } from '../../src/server/ledger/foretell';
import { quoteDemo } from '../../src/server/starting/setDemo';
import { searchLines } from '../../src/server/plan/searchLines';
import { storesOf } from '../../src/server/stores/storesOf';
import type { Stores } from '../../src/server/stores/stores';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';

export interface TestDatabase extends OpenedDatabase {
  stores: Stores;
  close: () => Promise<void>;
}

/** An empty folder with a copy of a database that is filled the first time it is asked for; the bench it is of is another every time. */
async function filledFolder(
  content: string,
  fill: (database: OpenedDatabase) => Promise<unknown>,
): Promise<ReturnType<typeof temporaryFolder>> {
  const made = temporaryFolder();
  const file = databaseFile(made.folder);
  copyFileSync(await template(content, (to) => writeDatabase(to, fill)), file);
  const database = connect(file);
  await database('workshop').update({ benchId: ulid() });
  await database.destroy();
  return made;
}

/** Everything of a new database in one file. */
async function writeDatabase(to: string, fill: (database: OpenedDatabase) => Promise<unknown>): Promise<void> {
  const { folder, remove } = temporaryFolder();
  const opened = await openDatabase(folder);
  await fill(opened);
  await opened.close();
  copyFileSync(databaseFile(folder), to);
  remove();
}

/** A folder with an empty database, or with the demo as of a moment. */
export const emptyFolder = () => filledFolder('nothing', () => Promise.resolve());
export const demoFolder = (now: Date) => filledFolder(`the demo of ${now.toISOString()}`, (database) => fillDemo(database, now));

/** The demo as it is after a while: its quote is accepted, all rows of its log are foretold, and its orders are found, so that
 * nothing is learned or sought meanwhile. */
export const settledDemoFolder = (now: Date) =>
  filledFolder(`the settled demo of ${now.toISOString()}`, async (database) => {
    await fillDemo(database, now, quoteDemo);
    const stores = storesOf(database.knex);
    while (await isToForetell(stores)) await stores.predictions.save(await foretell(stores));
    await searchLines(stores, await loadWorkshop(stores, now), now, {
      save: (write) => write(),
      isOnlyChosen: false,
      isStopped: () => false,
    });
  });

async function opened({ folder, remove }: ReturnType<typeof temporaryFolder>): Promise<TestDatabase> {
  const database = await openDatabase(folder);
  return {
    ...database,
    stores: storesOf(database.knex),
    close: async () => {
      await database.close();
      remove();
    },
  };
}

/** A database of its own for one test. */
export const testDatabase = async (): Promise<TestDatabase> => opened(await emptyFolder());

/** A database with the demo as of a moment, and the id of the commission that is due first. */
export async function demoDatabase(now: Date): Promise<{ database: TestDatabase; id: string }> {
  const database = await opened(await demoFolder(now));
  return { database, id: (await database.stores.commissions.listOpen())[0]!.id };
}
