import { isOneOf } from '../../core/kernel/isOneOf';
import { lastCopy } from './copies';
import { databaseFile } from './folder';

/** The data folder cannot be used as it is; nothing in it was changed. The message says what to do. */
export class DataError extends Error {
  override readonly name: string = 'DataError';
}

/** A file that was chosen to go back to cannot be used; nothing was changed. */
export class UnfitBackupError extends DataError {
  override readonly name = 'UnfitBackupError';
}

/** The data folder was written by a newer program; nothing in it was touched. */
export class NewerDatabaseError extends DataError {
  override readonly name = 'NewerDatabaseError';
}

/** Is another thread of this program writing just now? */
export const isBusy = (error: unknown): boolean => codeOf(error)?.startsWith('SQLITE_BUSY') ?? false;

/** Is it no database any more? */
export const isUnreadable = (error: unknown): boolean => /^SQLITE_(CORRUPT|NOTADB)/.test(codeOf(error) ?? '');

const codeOf = (error: unknown): string | undefined =>
  error instanceof Error && 'code' in error && typeof error.code === 'string' ? error.code : undefined;

/** What SQLite and the system say about a disk, in words for the painter; null for an error that is about something else. */
export function asDataError(error: unknown, folder: string): DataError | null {
  if (error instanceof DataError) return error;
  const code = codeOf(error);
  if (code === undefined) return null;
  const file = databaseFile(folder);
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT')
    return new DataError(
      `The disk that holds ${folder} is full: free some space and try again. What was answered as saved before is saved; this was not.`,
    );
  if (/^SQLITE_(READONLY|CANTOPEN|PERM|AUTH)/.test(code) || isOneOf(code, 'EACCES', 'EPERM', 'EROFS'))
    return new DataError(
      `${folder} cannot be written (${code}): make the folder and its files writable for your user, or set NEAT_RELAY_DATA to another folder.`,
    );
  const { path = folder } = error as NodeJS.ErrnoException;
  if (code === 'EISDIR') return new DataError(`${path} is a folder where a file should be: move it away.`);
  if (isOneOf(code, 'ENOTDIR', 'EEXIST'))
    return new DataError(`${path} is not a folder: set NEAT_RELAY_DATA to a folder, or move the file away.`);
  if (code === 'ENAMETOOLONG') return new DataError(`The name of the data folder is too long: set NEAT_RELAY_DATA to a shorter one.`);
  if (isOneOf(code, 'ENOENT', 'ELOOP') && path.startsWith(folder))
    return new DataError(`${path} is not there, or a link that leads nowhere: mend the link, or set NEAT_RELAY_DATA to another folder.`);
  if (isUnreadable(error)) return damaged(folder, `${file} is damaged`);
  if (code.startsWith('SQLITE_IOERR') || code === 'EIO')
    return new DataError(`${file} cannot be read or written (${code}): look at the disk. ${wayBack(folder)}`);
  return null;
}

/** Somebody took the folder, or the file in it, away from under the program. */
export const takenAway = (folder: string): DataError =>
  new DataError(
    `The data folder ${folder} was deleted or replaced while the program ran: nothing is stored any more. Stop the program, put the folder back if it was deleted by mistake, and start again.`,
  );

/** A file that is no database any more. It is left as it is. */
export const damaged = (folder: string, what: string): DataError => new DataError(`${what}; it was left as it is. ${wayBack(folder)}`);

function wayBack(folder: string): string {
  const copy = lastCopy(folder);
  return copy === null
    ? 'There is no copy in the data folder: restore one of your own with "npm start -- --restore FILE", or move the file away to start with nothing.'
    : `The last good copy is ${copy}: go back to it with "npm start -- --restore ${copy}".`;
}
