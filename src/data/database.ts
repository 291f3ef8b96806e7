import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import knex, { type Knex } from 'knex';
import { BenchStore } from './benchStore';
import { migrations as shippedMigrations, type Migration } from './migrations';

export const DATABASE_FILE = 'neat-relay.sqlite';

/** The data folder was written by a newer program; nothing in it was touched. */
export class NewerDatabaseError extends Error {
  override readonly name = 'NewerDatabaseError';
}

export interface OpenedDatabase {
  knex: Knex;
  /** Copy put aside before migrations ran; null when none was needed. */
  backup: string | null;
}

/** Opens the database of a data folder and brings it up to date. A file that is to be migrated is copied first. */
export async function openDatabase(
  folder: string,
  migrations: readonly Migration[] = shippedMigrations,
  now = new Date(),
): Promise<OpenedDatabase> {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, DATABASE_FILE);
  const isNew = !existsSync(file);
  const db = connect(file);
  try {
    const applied = isNew ? [] : await appliedMigrations(db);
    refuseNewer(applied, migrations, file);
    const backup = !isNew && applied.length < migrations.length ? await putAside(db, folder, now) : null;
    await db.migrate.latest({ migrationSource: sourceOf(migrations) });
    // Rows of the log follow from the bench events by the rules of this version.
    if (backup) await new BenchStore(db).deriveAll();
    return { knex: db, backup };
  } catch (error) {
    await db.destroy();
    throw error;
  }
}

/** SQLite with its safest settings: a bench event that was answered is on the disk. */
function connect(file: string): Knex {
  return knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    // Knex also asks for names that a schema statement leaves out, as undefined.
    wrapIdentifier: (identifier: string | undefined, quote) =>
      quote(identifier === undefined ? (identifier as never) : snakeCase(identifier)),
    postProcessResponse: camelCaseKeys,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: { pragma: (text: string) => void }, done: (error: Error | null) => void) => {
        connection.pragma('journal_mode = WAL');
        connection.pragma('foreign_keys = ON');
        connection.pragma('synchronous = FULL');
        done(null);
      },
    },
  });
}

const snakeCase = (name: string) => name.replaceAll(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const camelCased = new Map<string, string>();

/** Names of columns are few and met with every row. */
function camelCase(name: string): string {
  let known = camelCased.get(name);
  if (known === undefined) {
    known = name.replaceAll(/_([a-z])/g, (_match, letter: string) => letter.toUpperCase());
    camelCased.set(name, known);
  }
  return known;
}

/** Columns are snake_case in the file and camelCase in the program. */
function camelCaseKeys(response: unknown): unknown {
  if (Array.isArray(response)) return response.map(camelCaseKeys);
  if (response === null || typeof response !== 'object') return response;
  const row = response as Record<string, unknown>;
  const renamed: Record<string, unknown> = {};
  for (const key in row) renamed[camelCase(key)] = row[key];
  return renamed;
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

/** A consistent copy beside the file, whatever stands in its write-ahead log. */
async function putAside(db: Knex, folder: string, now: Date): Promise<string> {
  const backup = path.join(folder, `before-upgrade-${now.toISOString().replaceAll(/[:.]/g, '-')}.sqlite`);
  await db.raw('VACUUM INTO ?', [backup]);
  return backup;
}

function sourceOf(migrations: readonly Migration[]): Knex.MigrationSource<Migration> {
  return {
    getMigrations: () => Promise.resolve([...migrations]),
    getMigrationName: (migration) => migration.name,
    getMigration: (migration) => Promise.resolve(migration),
  };
}
