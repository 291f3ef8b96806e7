import knex, { type Knex } from 'knex';
import { LRUCache } from 'lru-cache';

/** What better-sqlite3 gives us of a connection. */
export interface RawConnection {
  pragma: (text: string) => unknown;
  backup: (file: string) => Promise<unknown>;
  prepare: (sql: string) => object;
}

/**
 * Writers of this program take turns, so that nobody waits for long. A wait is a standstill of the thread: it is kept short, and
 * whoever meets another writer says so.
 */
const BUSY_MS = 100;

/** The program asks some hundred different questions; those with long lists of ids in them come and go. */
const MOST_STATEMENTS = 300;

interface ConnectOptions {
  /** Nothing is changed, not even what a killed program left to be written. */
  readonly?: boolean;
  /** A file of which only the lock is wanted has none. */
  journal?: 'WAL' | null;
  /** How long a statement waits for another writer, standing still. */
  busyMs?: number;
}

/** SQLite with its safest settings: a bench event that was answered is on the disk. */
export function connect(filename: string, { readonly = false, journal = 'WAL', busyMs = BUSY_MS }: ConnectOptions = {}): Knex {
  return knex({
    client: 'better-sqlite3',
    connection: { filename, options: { readonly } },
    useNullAsDefault: true,
    // Every error is thrown as well; whoever meets it says it in words.
    log: { error: () => undefined, warn: () => undefined },
    // Knex also asks for names that a schema statement leaves out, as undefined.
    wrapIdentifier: (identifier: string | undefined, quote) =>
      quote(identifier === undefined ? (identifier as never) : snakeCase(identifier)),
    postProcessResponse: camelCaseKeys,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: RawConnection, done: (error: Error | null) => void) => {
        try {
          connection.pragma(`busy_timeout = ${busyMs}`);
          connection.pragma('foreign_keys = ON');
          if (!readonly && journal !== null) {
            connection.pragma(`journal_mode = ${journal}`);
            connection.pragma('synchronous = FULL');
          }
          keepStatements(connection);
          done(null);
        } catch (error) {
          done(error as Error);
        }
      },
    },
  });
}

/** Preparing a statement takes longer than most take to answer, and Knex would prepare each anew. */
function keepStatements(connection: RawConnection): void {
  const statements = new LRUCache<string, object, undefined>({
    max: MOST_STATEMENTS,
    memoMethod: (sql) => prepare(sql),
  });
  const prepare = connection.prepare.bind(connection);
  connection.prepare = (sql) => statements.memo(sql);
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
