import { existsSync, renameSync } from 'node:fs';
import path from 'node:path';
import type { Knex } from 'knex';
import { DERIVATION } from './log/deriveLog';
import { BenchStore } from './stores/benchStore';
import { checkDatabase } from './file/checkDatabase';
import { connect } from './file/connection';
import { copyDatabase } from './file/copyDatabase';
import { asDataError } from './file/dataErrors';
import { copiesFolder, databaseFile, fileIdentity, fileTime, makeOwnFile, prepareFolder, removeDatabase, UNFINISHED } from './file/folder';
import { lockFolder } from './file/folderLock';
import { migrations as shippedMigrations, type Migration } from './migrations';
import { WorkshopStore } from './stores/workshopStore';

export interface OpenedDatabase {
  knex: Knex;
  folder: string;
  /** Copy put aside before migrations ran; null when none was needed. */
  backup: string | null;
  /** Which file it is: another one after a restore. */
  identity: string;
  /** Is the file in the folder still the one that was opened? */
  isInPlace: () => boolean;
  /** Writes everything into the one file and lets the folder go. */
  close: () => Promise<void>;
}

/**
 * Opens the database of a data folder, for this program alone, and brings it up to date. A file that is to be migrated is copied
 * first. Throws a `DataError` when the folder cannot be used; then nothing in it was changed.
 */
export async function openDatabase(
  folder: string,
  migrations: readonly Migration[] = shippedMigrations,
  now = new Date(),
): Promise<OpenedDatabase> {
  try {
    prepareFolder(folder);
    const unlock = await lockFolder(folder);
    try {
      return await openLocked(folder, migrations, now, unlock);
    } catch (error) {
      await unlock();
      throw error;
    }
  } catch (error) {
    throw asDataError(error, folder) ?? error;
  }
}

async function openLocked(
  folder: string,
  migrations: readonly Migration[],
  now: Date,
  unlock: () => Promise<void>,
): Promise<OpenedDatabase> {
  const file = databaseFile(folder);
  const isNew = !existsSync(file);
  if (isNew) await makeDatabase(file, migrations);
  const applied = await checkDatabase(file, folder, migrations);
  const backup = applied.length < migrations.length ? await putAside(file, folder, 'before-upgrade', now) : null;
  const db = connect(file);
  try {
    await bringUpToDate(db, migrations);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  const identity = fileIdentity(file)!;
  return {
    knex: db,
    folder,
    backup,
    identity,
    isInPlace: () => fileIdentity(file) === identity,
    close: async () => {
      await db.destroy();
      await unlock();
    },
  };
}

/** A first database gets its name when it is complete: one that was killed halfway never had it. */
async function makeDatabase(file: string, migrations: readonly Migration[]): Promise<void> {
  const unfinished = file + UNFINISHED;
  removeDatabase(unfinished);
  makeOwnFile(unfinished);
  const db = connect(unfinished);
  try {
    await bringUpToDate(db, migrations);
  } finally {
    await db.destroy();
  }
  renameSync(unfinished, file);
}

/** Every migration and the log that follows from it can be broken off anywhere: the next start goes on where it was. */
async function bringUpToDate(db: Knex, migrations: readonly Migration[]): Promise<void> {
  const source = { migrationSource: sourceOf(migrations) };
  // The folder is ours alone: a migration that still holds its lock was killed.
  if (await db.schema.hasTable('knex_migrations_lock')) await db.migrate.forceFreeMigrationsLock(source);
  await db.migrate.latest(source);
  // Databases of earlier versions, which tests open, have no workshop yet.
  if (!(await db.schema.hasTable('workshop'))) return;
  const [{ userVersion: derivation }] = (await db.raw('PRAGMA user_version')) as [{ userVersion: number }];
  if (derivation === DERIVATION) return;
  await db.transaction(async (trx) => {
    // Rows of the log follow from the bench events by the rules of this version.
    await new BenchStore(trx).deriveAll();
    await new WorkshopStore(trx).open();
    await trx.raw(`PRAGMA user_version = ${DERIVATION}`);
  });
}

/** Puts a whole copy beside the database, named for why it was made. */
async function putAside(file: string, folder: string, why: string, now: Date): Promise<string> {
  const copy = path.join(copiesFolder(folder), `${why}-${fileTime(now)}.sqlite`);
  await copyDatabase(file, copy);
  return copy;
}

function sourceOf(migrations: readonly Migration[]): Knex.MigrationSource<Migration> {
  return {
    getMigrations: () => Promise.resolve([...migrations]),
    getMigrationName: (migration) => migration.name,
    getMigration: (migration) => Promise.resolve(migration),
  };
}
