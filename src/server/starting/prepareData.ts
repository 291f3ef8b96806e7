import { existsSync } from 'node:fs';
import { openDatabase } from '../../data/database';
import { clearFolder } from '../../data/file/clearFolder';
import { restoreFolder } from '../../data/file/restoreDatabase';
import { storesOf } from '../stores/storesOf';

export interface Preparation {
  folder: string;
  /** Fill an empty folder with the demo. */
  demo: boolean;
  /** Throw away what is there first. */
  reset: boolean;
  /** A database file to go back to; null for none. */
  restore: string | null;
}

/** Makes the data folder ready before the program starts, and says what it does. Throws a `DataError` when it cannot be used. */
export async function prepareData({ folder, demo, reset, restore }: Preparation, say: (text: string) => void): Promise<void> {
  if (reset && existsSync(folder)) {
    await clearFolder(folder);
    say('The demo starts over.');
  }
  if (restore !== null) {
    const aside = await restoreFolder(restore, folder, new Date());
    say(`${restore} was restored.${aside === null ? '' : ` What was there before was put aside: ${aside}`}`);
  }
  const database = await openDatabase(folder);
  try {
    if (database.backup) say(`A copy of the database was put aside before it was brought up to date: ${database.backup}`);
    const stores = storesOf(database.knex);
    if (demo && (await stores.demo.isEmpty())) {
      say('Filling the demo data folder ...');
      // Every later start does without what only the first needs.
      const { quoteDemo } = await import('./setDemo');
      await stores.demo.fill(new Date(), quoteDemo);
    }
  } finally {
    await database.close();
  }
}
