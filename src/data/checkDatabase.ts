import { closeSync, openSync, readSync, statSync } from 'node:fs';
import type { Knex } from 'knex';
import { connect } from './connection';
import { damaged, DataError, NewerDatabaseError } from './dataErrors';
import type { Migration } from './migrations';

const HEADER = 'SQLite format 3\0';

/**
 * Looks at a database file without changing anything: is it one of ours, whole, and not of a newer program? Answers with the
 * names of the migrations it has had; throws a `DataError` otherwise.
 */
export async function checkDatabase(file: string, folder: string, migrations: readonly Migration[]): Promise<string[]> {
  if (statSync(file).size === 0) throw damaged(folder, `${file} is empty`);
  if (headerOf(file) !== HEADER) throw damaged(folder, `${file} is damaged or no database`);
  const db = connect(file, { readonly: true });
  try {
    const [result] = await db.raw<Record<string, string>[]>('PRAGMA quick_check(1)');
    if (Object.values(result ?? {})[0] !== 'ok') throw damaged(folder, `${file} is damaged`);
    const applied = await appliedMigrations(db);
    if (applied.length === 0) throw new DataError(`${file} is not a database of Neat Relay: choose another file.`);
    refuseNewer(applied, migrations, file);
    return applied;
  } finally {
    await db.destroy();
  }
}

function headerOf(file: string): string {
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(HEADER.length);
    readSync(handle, bytes, 0, HEADER.length, 0);
    return bytes.toString('latin1');
  } finally {
    closeSync(handle);
  }
}

async function appliedMigrations(db: Knex): Promise<string[]> {
  if (!(await db.schema.hasTable('knex_migrations'))) return [];
  return (await db('knex_migrations').orderBy('id').select('name')).map((row: { name: string }) => row.name);
}

function refuseNewer(applied: string[], migrations: readonly Migration[], file: string): void {
  const unknown = applied.find((name) => !migrations.some((migration) => migration.name === name));
  if (unknown === undefined) return;
  throw new NewerDatabaseError(
    `${file} was written by a newer Neat Relay (it has had "${unknown}"): start that newer program, or set NEAT_RELAY_DATA to another folder.`,
  );
}
