import { createWriteStream, openSync, rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ulid } from 'ulid';
import { copyNamed, DAYS_KEPT, listCopies } from '../../data/copies';
import { copyDatabase } from '../../data/copyDatabase';
import { copiesFolder, databaseFile, fileTime, UNFINISHED } from '../../data/folder';
import { prepareRestore, putInPlace, type RestoreCandidate } from '../../data/restoreDatabase';
import { InputError } from '../../core/formats/InputError';
import type { BackupsPicture } from '../../core/views/backups';
import { announce } from '../bench/announcements';
import { NotFoundError } from '../errors';
import { TooLargeError } from '../http/readBody';
import { closeDatabase, dataFolder, openedDatabase, writing } from '../services';
import { serving } from '../serving';

/** Larger than the work of a life. */
const LIMIT_BYTES = 2_000_000_000;

export const loadBackups = (): BackupsPicture => ({
  daysKept: DAYS_KEPT,
  copies: listCopies(dataFolder()),
});

/** The database as it is at this moment, as one file to save. */
export async function saveBackup(now: Date): Promise<Response> {
  const file = path.join(copiesFolder(dataFolder()), `${ulid()}${UNFINISHED}`);
  await copyDatabase(databaseFile(dataFolder()), file);
  const handle = await open(file);
  // It lives on until it is read.
  rmSync(file);
  const { size } = await handle.stat();
  return new Response(Readable.toWeb(handle.createReadStream()) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-length': String(size),
      'content-disposition': `attachment; filename="neat-relay-${fileTime(now).slice(0, 10)}.sqlite"`,
      'cache-control': 'no-store',
    },
  });
}

/** Where what was put aside lies; null when nothing was there. */
interface Restored {
  aside: string | null;
}

/** Goes back to one of the copies in the data folder. */
export async function restoreCopy(name: string, now: Date): Promise<Restored> {
  const copy = copyNamed(dataFolder(), name);
  if (copy === null) throw new NotFoundError(`There is no copy "${name}" any more: reload the page.`);
  return restore(await prepareRestore(copy, dataFolder()), now);
}

/** Goes back to a file that the painter has saved. */
export async function restoreFile(body: ReadableStream<Uint8Array> | null, now: Date): Promise<Restored> {
  if (body === null) throw new InputError('the file', null, 'choose a backup that Neat Relay has saved');
  const file = `${databaseFile(dataFolder())}.${ulid()}${UNFINISHED}`;
  try {
    await pipeline(Readable.fromWeb(body as never), limited(), createWriteStream('', { fd: openSync(file, 'wx', 0o600) }));
    return await restore(await prepareRestore(file, dataFolder(), 'the file'), now);
  } finally {
    rmSync(file, { force: true });
  }
}

function limited(): Transform {
  let length = 0;
  return new Transform({
    transform(chunk: Uint8Array, _encoding, done) {
      length += chunk.length;
      if (length > LIMIT_BYTES)
        done(new TooLargeError(`The file is larger than ${LIMIT_BYTES} bytes: choose a backup that Neat Relay has saved.`));
      else done(null, chunk);
    },
  });
}

/** Nobody is answered while the file is changed. What cannot be opened afterwards is taken out again. */
const restore = (candidate: RestoreCandidate, now: Date): Promise<Restored> =>
  serving.byItself(() =>
    writing.byItself(async () => {
      await closeDatabase();
      const aside = putInPlace(candidate, now);
      try {
        await openedDatabase();
      } catch (error) {
        if (aside !== null) putInPlace(await prepareRestore(aside, dataFolder()), now);
        throw error;
      }
      announce('changed');
      return { aside };
    }),
  );
