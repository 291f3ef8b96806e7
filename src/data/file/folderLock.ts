import { existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { connect } from './connection';
import { DataError, isBusy, isUnreadable } from './dataErrors';
import { LOCK_FILE, makeOwnFile } from './folder';

/**
 * Keeps a data folder for this program alone until it is released or the program ends, however it ends: the system takes back
 * the lock that SQLite holds on a file of its own. Throws a `DataError` when another program has the folder.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const file = path.join(folder, LOCK_FILE);
  if (existsSync(file) && !statSync(file).isFile())
    throw new DataError(`${file} is not a file: move it away. The program keeps the folder for itself with a file of that name.`);
  makeOwnFile(file);
  const lock = connect(file, { journal: null });
  try {
    await lock.raw('BEGIN EXCLUSIVE');
  } catch (error) {
    await lock.destroy();
    if (isUnreadable(error))
      throw new DataError(
        `${file}, which keeps the folder for one program at a time, is damaged: delete it. Nothing of yours is kept in it.`,
      );
    if (!isBusy(error)) throw error;
    throw new DataError(
      `Another Neat Relay is running on ${folder}: stop that one first, or set NEAT_RELAY_DATA to another folder for this one.`,
    );
  }
  return () => lock.destroy();
}
