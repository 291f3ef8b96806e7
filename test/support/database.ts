import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openDatabase, type OpenedDatabase } from '../../src/data/database';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { storesOf } from '../../src/server/stores/storesOf';
import type { Stores } from '../../src/server/stores/stores';

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

/** A database of its own for one test. */
export async function testDatabase(): Promise<TestDatabase> {
  const { folder, remove } = temporaryFolder();
  const opened = await openDatabase(folder);
  return {
    ...opened,
    stores: storesOf(opened.knex),
    close: async () => {
      await opened.close();
      remove();
    },
  };
}

/** A database with the demo as of a moment, and the id of the commission that is due first. */
export async function demoDatabase(now: Date): Promise<{ database: TestDatabase; id: string }> {
  const database = await testDatabase();
  await fillDemo(database, now);
  return { database, id: (await database.stores.commissions.listOpen())[0]!.id };
}
