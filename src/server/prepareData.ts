import { openDatabase } from '../data/database';
import { DEFAULT_DATA_FOLDER, storesOf } from './services';

/** Migrates the data folder and, when asked, fills an empty one with the demo. Says what it does. */
export async function prepareData(withDemo: boolean, say: (text: string) => void): Promise<void> {
  const folder = process.env['NEAT_RELAY_DATA'] ?? DEFAULT_DATA_FOLDER;
  const database = await openDatabase(folder);
  try {
    if (database.backup) say(`A copy of the database was put aside before it was brought up to date: ${database.backup}`);
    if (withDemo && (await storesOf(database).demo.isEmpty())) {
      say('Filling the demo data folder ...');
      await storesOf(database).demo.fill(new Date());
    }
  } finally {
    await database.knex.destroy();
  }
}
