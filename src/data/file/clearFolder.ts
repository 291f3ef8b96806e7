import { readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { asDataError } from './dataErrors';
import { COPIES_FOLDER, DATABASE_FILE } from './folder';
import { lockFolder } from './folderLock';

/** Throws away what Neat Relay has put into a folder, and nothing else. Throws a `DataError` when a program runs on it. */
export async function clearFolder(folder: string): Promise<void> {
  try {
    const unlock = await lockFolder(folder);
    for (const name of readdirSync(folder))
      if (name === COPIES_FOLDER || name.startsWith(DATABASE_FILE)) rmSync(path.join(folder, name), { recursive: true, force: true });
    await unlock();
  } catch (error) {
    throw asDataError(error, folder) ?? error;
  }
}
