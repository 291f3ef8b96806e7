import { closeSync, openSync, readSync, statSync } from 'node:fs';
import type { Knex } from 'knex';
import { connect } from './connection';
import { damaged, DataError, NewerDatabaseError } from './dataErrors';
import type { Migration } from '../migrations';

const HEADER = 'SQLite format 3\0';

/**
 * Looks at a database file without changing anything: is it one of ours, whole to the last index, and not of a newer program?
 * Answers with the names of the migrations it has had; throws a `DataError` otherwise.
 */
export async function checkDatabase(file: string, folder: string, migrations: readonly Migration[]): Promise<string[]> {
  const { size, ...stat } = lookAt(file);
  if (!stat.isFile) throw new DataError(`${file} is not a file: move it away, or set NEAT_RELAY_DATA to another folder.`);
  if (size === 0) throw damaged(folder, `${file} is empty`);
  if (!isSound(headerOf(file))) throw damaged(folder, `${file} is damaged or no database`);
  const db = connect(file, { readonly: true });
  try {
    if (!(await isWhole(db))) throw damaged(folder, `${file} is damaged`);
    const applied = await appliedMigrations(db);
    if (applied.length === 0) throw new DataError(`${file} is not a database of Neat Relay: choose another file.`);
    refuseNewer(applied, migrations, file);
    return applied;
  } finally {
    await db.destroy();
  }
}

/**
 * The same of a file from elsewhere, and whether it has every table, column and index that its migrations make, and nothing that acts
 * by itself.
 */
export async function checkWhole(file: string, folder: string, migrations: readonly Migration[]): Promise<void> {
  const applied = await checkDatabase(file, folder, migrations);
  const db = connect(file, { readonly: true });
  const made = connect(':memory:');
  try {
    for (const migration of migrations) if (applied.includes(migration.name)) await migration.up(made);
    const [has, needs] = [await shapeOf(db), await shapeOf(made)];
    const missing = [...needs].find((each) => !has.has(each));
    if (missing !== undefined) throw damaged(folder, `${file} lacks ${missing}`);
    const foreign = [...has].find((each) => /^(trigger|view) /.test(each) && !needs.has(each));
    if (foreign !== undefined) throw damaged(folder, `${file} has a ${foreign} that is not ours`);
  } finally {
    await db.destroy();
    await made.destroy();
  }
}

/** What a database is made of, a line each: tables with their columns, indexes with theirs, triggers and views. */
async function shapeOf(db: Knex): Promise<Set<string>> {
  const shape = new Set<string>();
  const things = (await db.raw("SELECT type, name, tbl_name AS of FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'")) as Thing[];
  for (const { type, name, of } of things) {
    if (type === 'table')
      for (const { name: column, type: kind } of await columnsOf(db, 'table_info', name)) shape.add(`column ${name}.${column} ${kind}`);
    else if (type === 'index')
      shape.add(`index ${name} of ${of}: ${(await columnsOf(db, 'index_info', name)).map((column) => column.name).join()}`);
    else shape.add(`${type} ${name}`);
  }
  return shape;
}

interface Thing {
  type: string;
  name: string;
  of: string;
}
const columnsOf = async (db: Knex, pragma: 'table_info' | 'index_info', name: string) =>
  (await db.raw(`SELECT * FROM pragma_${pragma}(?)`, [name])) as { name: string; type: string }[];

const lookAt = (file: string) => {
  const stat = statSync(file);
  return { size: stat.size, isFile: stat.isFile() };
};

/** What SQLite refuses in other words than that the file is damaged: versions of its format that there are not. */
const isSound = (bytes: Buffer): boolean =>
  bytes.subarray(0, HEADER.length).toString('latin1') === HEADER &&
  [bytes[18]!, bytes[19]!].every(isVersion) &&
  bytes.readUInt32BE(44) <= 4;
const isVersion = (version: number) => version === 1 || version === 2;

const HEADER_BYTES = 100;

function headerOf(file: string): Buffer {
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(HEADER_BYTES);
    readSync(handle, bytes, 0, HEADER_BYTES, 0);
    return bytes;
  } finally {
    closeSync(handle);
  }
}

async function isWhole(db: Knex): Promise<boolean> {
  const [result] = await db.raw<Record<string, string>[]>('PRAGMA integrity_check(1)');
  return Object.values(result ?? {})[0] === 'ok';
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
