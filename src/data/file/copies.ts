import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { copiesFolder } from './folder';

/** A whole copy of the database in the data folder. */
export interface DatabaseCopy {
  name: string;
  /** When it was made, UTC ISO. */
  madeAt: string;
  bytes: number;
}

const DAILY = /^daily-\d{4}-\d\d-\d\d\.sqlite$/;
/** Copies of so many days are kept. */
export const DAYS_KEPT = 14;

export const dailyName = (day: string): string => `daily-${day}.sqlite`;

/** All copies, the newest first. */
export function listCopies(folder: string): DatabaseCopy[] {
  const copies = copiesFolder(folder);
  if (!existsSync(copies)) return [];
  return readdirSync(copies)
    .filter((name) => name.endsWith('.sqlite'))
    .map((name) => {
      const { mtime, size } = statSync(path.join(copies, name));
      return { name, madeAt: mtime.toISOString(), bytes: size };
    })
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}

/** The path of the newest copy; null when there is none. */
export function lastCopy(folder: string): string | null {
  const [newest] = listCopies(folder);
  return newest ? path.join(copiesFolder(folder), newest.name) : null;
}

/** The path of a copy by its name; null when there is none of that name. */
export function copyNamed(folder: string, name: string): string | null {
  return listCopies(folder).some((copy) => copy.name === name) ? path.join(copiesFolder(folder), name) : null;
}

/** Throws away daily copies beyond those kept; what was put aside before an upgrade or a restore stays. */
export function dropOldCopies(folder: string): void {
  const daily = readdirSync(copiesFolder(folder))
    .filter((name) => DAILY.test(name))
    .sort();
  for (const name of daily.slice(0, Math.max(0, daily.length - DAYS_KEPT))) rmSync(path.join(copiesFolder(folder), name));
}
