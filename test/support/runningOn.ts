import { closeDatabase } from '../../src/server/starting/services';
import { temporaryFolder } from './temporaryFolder';

/** Does something on an empty data folder as the running program does, by the setting that names it. */
export async function onEmptyFolder(work: () => Promise<void>): Promise<void> {
  const { folder, remove } = temporaryFolder();
  const before = process.env['NEAT_RELAY_DATA'];
  process.env['NEAT_RELAY_DATA'] = folder;
  try {
    await work();
  } finally {
    await closeDatabase();
    if (before === undefined) delete process.env['NEAT_RELAY_DATA'];
    else process.env['NEAT_RELAY_DATA'] = before;
    remove();
  }
}
