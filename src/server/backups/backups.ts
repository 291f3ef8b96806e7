import { createWriteStream, existsSync, openSync, rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ulid } from 'ulid';
import { copyNamed, DAYS_KEPT, listCopies } from '../../data/file/copies';
import { DataError } from '../../data/file/dataErrors';
import { copyDatabase } from '../../data/file/copyDatabase';
import { copiesFolder, databaseFile, fileTime, removeDatabase, underWay, UNFINISHED } from '../../data/file/folder';
import { dropCandidate, prepareRestore, putInPlace, type RestoreCandidate } from '../../data/file/restoreDatabase';
import { InputError } from '../../core/kernel/InputError';
import type { BackupsPicture } from '../../contract/backups';
import { announce } from '../running/announcements';
import { NotFoundError } from '../stores/errors';
import { chunksOf } from '../http/readBody';
import { dataFolder } from '../running/dataFolder';
import { closeDatabase, openedDatabase, writing } from '../starting/services';
import { openQuestions, serving } from '../running/serving';

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
  return restore(copy, now);
}

/** Goes back to a file that the painter has saved. */
export async function restoreFile(body: ReadableStream<Uint8Array> | null, now: Date): Promise<Restored> {
  if (body === null) throw new InputError('the file', null, 'choose a backup that Neat Relay has saved');
  // The database itself may be past opening: then this is the way back.
  if (!existsSync(dataFolder()))
    throw new DataError(`${dataFolder()} is not there any more: stop the program, put the folder back, and start again.`);
  const file = `${databaseFile(dataFolder())}.${ulid()}${UNFINISHED}`;
  const letGo = underWay(file);
  try {
    const chunks = chunksOf(body, { limitBytes: LIMIT_BYTES, remedy: 'choose a backup that Neat Relay has saved' });
    await pipeline(Readable.from(chunks), createWriteStream('', { fd: openSync(file, 'wx', 0o600) }));
    return await restore(file, now, 'the file');
  } finally {
    rmSync(file, { force: true });
    letGo();
  }
}

/** What was there is there again, and nothing of the attempt is kept. */
function goBack(before: RestoreCandidate, aside: string, now: Date): void {
  const unfit = putInPlace(before, now);
  for (const file of [aside, unfit]) if (file !== null) removeDatabase(file);
}

/** Nobody is answered while the file is changed. What cannot be opened afterwards is taken out again. */
async function restore(from: string, now: Date, name?: string): Promise<Restored> {
  const candidate = await prepareRestore(from, dataFolder(), name);
  try {
    openQuestions.giveUpAll();
    return await serving.byItself(() =>
      writing.byItself(async () => {
        await closeDatabase();
        const aside = putInPlace(candidate, now);
        try {
          await openedDatabase();
        } catch (error) {
          if (aside !== null) goBack(await prepareRestore(aside, dataFolder()), aside, now);
          throw error;
        }
        announce('changed');
        return { aside };
      }),
    );
  } finally {
    dropCandidate(candidate);
  }
}
