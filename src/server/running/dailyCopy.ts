import { HOUR_MS } from '../../core/kernel/timeUnits';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { localDay } from '../../core/kernel/localDay';
import { dailyName, dropOldCopies } from '../../data/file/copies';
import { copyDatabase } from '../../data/file/copyDatabase';
import { copiesFolder, databaseFile } from '../../data/file/folder';

/** Makes the copy of the day when there is none yet, and lets the oldest ones go. */
export async function makeDailyCopy(folder: string, now: Date): Promise<void> {
  const copy = path.join(copiesFolder(folder), dailyName(localDay(now)));
  if (existsSync(copy)) return;
  await copyDatabase(databaseFile(folder), copy);
  dropOldCopies(folder);
}

/** Sees to the copy of the day now and every hour, until the returned function is called; what goes wrong is said and tried again. */
export function keepDailyCopies(folder: string): () => Promise<void> {
  let making = Promise.resolve();
  const make = () => {
    making = making
      .then(() => makeDailyCopy(folder, new Date()))
      .catch((error: unknown) => void process.stderr.write(`The copy of the day was not made: ${String(error)}\n`));
  };
  make();
  const timer = setInterval(make, HOUR_MS);
  timer.unref();
  return () => {
    clearInterval(timer);
    return making;
  };
}
