import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openDatabase, type OpenedDatabase } from '../../src/data/database';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { connect } from '../../src/data/file/connection';
import { databaseFile } from '../../src/data/file/folder';
import { ulid } from 'ulid';
import { foretell, isToForetell } from '../../src/server/ledger/foretell';
import { quoteDemo } from '../../src/server/starting/setDemo';
import { searchLines } from '../../src/server/plan/searchLines';
import { storesOf } from '../../src/server/stores/storesOf';
import type { Stores } from '../../src/server/stores/stores';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';

/** What is thrown away after a test need not wait for a disk: in memory where the system offers it. */
const PLACE = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();

/** An empty folder that is thrown away after the test. */
export function temporaryFolder(): { folder: string; remove: () => void } {
  const folder = mkdtempSync(path.join(PLACE, 'neat-relay-test-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

export interface TestDatabase extends OpenedDatabase {
  stores: Stores;
  close: () => Promise<void>;
}

/** Databases that tests begin with, made once: by what is in them. */
const templates = new Map<string, Promise<string>>();

/** An empty folder with a copy of a database that is filled the first time it is asked for; the bench it is of is another every time. */
async function filledFolder(
  content: string,
  fill: (database: OpenedDatabase) => Promise<unknown>,
): Promise<ReturnType<typeof temporaryFolder>> {
  const template = templates.get(content) ?? makeTemplate(fill);
  templates.set(content, template);
  const made = temporaryFolder();
  const file = databaseFile(made.folder);
  copyFileSync(await template, file);
  const database = connect(file);
  await database('workshop').update({ benchId: ulid() });
  await database.destroy();
  return made;
}

async function makeTemplate(fill: (database: OpenedDatabase) => Promise<unknown>): Promise<string> {
  const { folder, remove } = temporaryFolder();
  process.once('exit', remove);
  const opened = await openDatabase(folder);
  await fill(opened);
  await opened.close();
  return databaseFile(folder);
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
    await searchLines(stores, await loadWorkshop(stores, now), now, { save: (write) => write(), isStopped: () => false });
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
