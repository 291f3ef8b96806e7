import { chmodSync, closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';

/** What stands in a data folder, and who may read it. */

export const DATABASE_FILE = 'neat-relay.sqlite';
export const LOCK_FILE = 'neat-relay.lock';
export const COPIES_FOLDER = 'backups';
/** Ending of a file that is still being written: what is left of a program that was killed is thrown away. */
export const UNFINISHED = '.part';
/** What SQLite keeps beside a database while it is open. */
const COMPANIONS = ['-wal', '-shm', '-journal'];

const OWNER_ONLY_FOLDER = 0o700;
const OWNER_ONLY_FILE = 0o600;

export const databaseFile = (folder: string): string => path.join(folder, DATABASE_FILE);
export const copiesFolder = (folder: string): string => path.join(folder, COPIES_FOLDER);

/** A moment as a file name can hold it. */
export const fileTime = (now: Date): string => now.toISOString().replaceAll(/[:.]/g, '-');

/** Files of this program that are still being written, by their paths. */
const written = new Set<string>();

/** Says that a file is being written; until the answer is called it is not taken for what a killed program left. */
export function underWay(file: string): () => void {
  const named = path.resolve(file);
  written.add(named);
  return () => void written.delete(named);
}

const isUnderWay = (file: string): boolean => [...written].some((each) => path.resolve(file).startsWith(each));

/** Makes the folder where it is missing, for its owner only, and clears away what a killed program left unfinished. */
export function prepareFolder(folder: string): void {
  for (const each of [folder, copiesFolder(folder)]) {
    mkdirSync(each, { recursive: true, mode: OWNER_ONLY_FOLDER });
    ownerOnly(each, OWNER_ONLY_FOLDER);
    for (const name of readdirSync(each)) {
      if (name.includes(UNFINISHED) && !isUnderWay(path.join(each, name))) rmSync(path.join(each, name), { recursive: true, force: true });
      else if (/\.(sqlite|lock)(-wal|-shm)?$/.test(name)) ownerOnly(path.join(each, name), OWNER_ONLY_FILE);
    }
  }
}

/** Makes an empty file that only its owner can read, for SQLite to write into. */
export function makeOwnFile(file: string): void {
  closeSync(openSync(file, 'a', OWNER_ONLY_FILE));
}

function ownerOnly(entry: string, mode: number): void {
  const { mode: now, uid } = statSync(entry);
  // What belongs to another user stays as that one has it.
  if ((now & 0o777) !== mode && (process.getuid === undefined || process.getuid() === uid)) chmodSync(entry, mode);
}

/** Waits until a file is on the disk, not only on its way there. */
export function flushToDisk(file: string): void {
  const handle = openSync(file, 'r+');
  fsyncSync(handle);
  closeSync(handle);
}

export function removeDatabase(file: string): void {
  for (const ending of ['', ...COMPANIONS]) rmSync(file + ending, { force: true });
}

/** Tells whether a file is still the one that was opened: another one may have been put in its place, or none. */
export const fileIdentity = (file: string): string | null => {
  if (!existsSync(file)) return null;
  const { dev, ino } = statSync(file);
  return `${dev} ${ino}`;
};
