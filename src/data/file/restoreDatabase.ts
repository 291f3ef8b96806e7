import { copyFileSync, existsSync, linkSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import { checkDatabase, checkWhole } from './checkDatabase';
import { connect } from './connection';
import { asDataError, NewerDatabaseError, UnfitBackupError } from './dataErrors';
import {
  copiesFolder,
  databaseFile,
  fileTime,
  flushToDisk,
  makeOwnFile,
  prepareFolder,
  removeDatabase,
  underWay,
  UNFINISHED,
} from './folder';
import { lockFolder } from './folderLock';
import { migrations } from '../migrations';

/** A file that was checked and lies ready in the data folder to take the database's place. */
export interface RestoreCandidate {
  file: string;
  folder: string;
  letGo: () => void;
}

/**
 * Takes a file into the data folder, under a name of its own and with the last writes that lie beside it, and checks it whole;
 * `name` is what messages call it. Throws an `UnfitBackupError` when it cannot be restored; then nothing is left of it.
 */
export async function prepareRestore(from: string, folder: string, name = from): Promise<RestoreCandidate> {
  const file = `${databaseFile(folder)}.${ulid()}${UNFINISHED}`;
  const candidate = { file, folder, letGo: underWay(file) };
  try {
    if (!existsSync(from) || !statSync(from).isFile())
      throw new UnfitBackupError(`There is no file ${from}: name one that is there. Nothing was changed.`);
    makeOwnFile(file);
    copyFileSync(from, file);
    await checkFile(file, folder, from).catch((error: unknown) => {
      const reason = error instanceof NewerDatabaseError ? 'was written by a newer Neat Relay' : 'is damaged, or no backup of Neat Relay';
      throw new UnfitBackupError(`${name} ${reason}: choose another backup. Nothing was changed.`, { cause: error });
    });
    flushToDisk(file);
    return candidate;
  } catch (error) {
    dropCandidate(candidate);
    throw asDataError(error, folder) ?? error;
  }
}

async function checkFile(file: string, folder: string, from: string): Promise<void> {
  // A file without its last writes is looked at first: what is no database is not written to.
  await checkDatabase(file, folder, migrations);
  if (existsSync(`${from}-wal`)) {
    copyFileSync(`${from}-wal`, `${file}-wal`);
    const db = connect(file);
    try {
      await db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
    } finally {
      await db.destroy();
    }
  }
  await checkWhole(file, folder, migrations);
}

/** Throws a candidate away that did not take the place of the database. */
export function dropCandidate({ file, letGo }: RestoreCandidate): void {
  removeDatabase(file);
  letGo();
}

/**
 * Puts the candidate in the place of the database, which nobody may have open. The present data is put aside first, and the place
 * is never empty: a program that is killed meanwhile finds the one or the other. Answers with the path of what was put aside.
 */
export function putInPlace({ file, folder, letGo }: RestoreCandidate, now: Date): string | null {
  const current = databaseFile(folder);
  let aside: string | null = null;
  if (existsSync(current)) {
    aside = freeName(path.join(copiesFolder(folder), `before-restore-${fileTime(now)}`));
    // What a killed program left to be written belongs to the old file.
    for (const ending of ['', '-wal']) if (existsSync(current + ending)) keep(current + ending, aside + ending);
    removeCompanions(current);
  }
  removeCompanions(file);
  renameSync(file, current);
  letGo();
  return aside;
}

/** Two restores within a moment put aside two files. */
function freeName(stem: string): string {
  let name = `${stem}.sqlite`;
  for (let number = 2; existsSync(name); number++) name = `${stem}-${number}.sqlite`;
  return name;
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

/** Restores a data folder that no program runs on; what is there may be damaged. A folder that was not there before is not left behind. */
export async function restoreFolder(from: string, folder: string, now: Date): Promise<string | null> {
  const isNew = !existsSync(folder);
  try {
    prepareFolder(folder);
    const unlock = await lockFolder(folder);
    try {
      return putInPlace(await prepareRestore(from, folder), now);
    } finally {
      await unlock();
    }
  } catch (error) {
    if (isNew && existsSync(folder)) rmSync(folder, { recursive: true, force: true });
    throw asDataError(error, folder) ?? error;
  }
}
