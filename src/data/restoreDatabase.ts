import { copyFileSync, existsSync, linkSync, renameSync } from 'node:fs';
import path from 'node:path';
import { checkDatabase } from './checkDatabase';
import { asDataError, NewerDatabaseError, UnfitBackupError } from './dataErrors';
import { copiesFolder, databaseFile, fileTime, flushToDisk, makeOwnFile, prepareFolder, removeDatabase, UNFINISHED } from './folder';
import { lockFolder } from './folderLock';
import { migrations } from './migrations';

/** A file that was checked and lies ready in the data folder to take the database's place. */
export interface RestoreCandidate {
  file: string;
  folder: string;
}

/**
 * Takes a file into the data folder, unseen by anything else, and checks it; `name` is what messages call it.
 * Throws an `UnfitBackupError` when it cannot be restored.
 */
export async function prepareRestore(from: string, folder: string, name = from): Promise<RestoreCandidate> {
  const file = `${databaseFile(folder)}.restore${UNFINISHED}`;
  try {
    removeDatabase(file);
    if (!existsSync(from)) throw new UnfitBackupError(`There is no file ${from}: name one that is there. Nothing was changed.`);
    makeOwnFile(file);
    copyFileSync(from, file);
    flushToDisk(file);
    await checkDatabase(file, folder, migrations).catch((error: unknown) => {
      const reason = error instanceof NewerDatabaseError ? 'was written by a newer Neat Relay' : 'is damaged, or no backup of Neat Relay';
      throw new UnfitBackupError(`${name} ${reason}: choose another backup. Nothing was changed.`, { cause: error });
    });
    return { file, folder };
  } catch (error) {
    removeDatabase(file);
    throw asDataError(error, folder) ?? error;
  }
}

/**
 * Puts the candidate in the place of the database, which nobody may have open. The present data is put aside first, and the place
 * is never empty: a program that is killed meanwhile finds the one or the other. Answers with the path of what was put aside.
 */
export function putInPlace({ file, folder }: RestoreCandidate, now: Date): string | null {
  const current = databaseFile(folder);
  let aside: string | null = null;
  if (existsSync(current)) {
    aside = path.join(copiesFolder(folder), `before-restore-${fileTime(now)}.sqlite`);
    // What a killed program left to be written belongs to the old file.
    for (const ending of ['', '-wal']) if (existsSync(current + ending)) keep(current + ending, aside + ending);
    removeCompanions(current);
  }
  removeCompanions(file);
  renameSync(file, current);
  return aside;
}

function keep(file: string, aside: string): void {
  try {
    linkSync(file, aside);
  } catch {
    // Some file systems know no links.
    copyFileSync(file, aside);
  }
}

/** The database file itself stays. */
function removeCompanions(file: string): void {
  for (const ending of ['-wal', '-shm']) removeDatabase(file + ending);
}

/** Restores a data folder that no program runs on; what is there may be damaged. */
export async function restoreFolder(from: string, folder: string, now: Date): Promise<string | null> {
  try {
    prepareFolder(folder);
    const unlock = await lockFolder(folder);
    try {
      return putInPlace(await prepareRestore(from, folder), now);
    } finally {
      await unlock();
    }
  } catch (error) {
    throw asDataError(error, folder) ?? error;
  }
}
