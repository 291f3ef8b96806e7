import { renameSync } from 'node:fs';
import type { Knex } from 'knex';
import { connect, type RawConnection } from './connection';
import { flushToDisk, makeOwnFile, removeDatabase, UNFINISHED } from './folder';

/**
 * Makes a whole copy of a database, while it is in use, as one file. It has its own name only when it is complete and on the disk.
 * The copy shows one moment: what is written meanwhile is not in it.
 */
export async function copyDatabase(file: string, to: string): Promise<void> {
  const unfinished = to + UNFINISHED;
  removeDatabase(unfinished);
  makeOwnFile(unfinished);
  try {
    await copyMoment(file, unfinished);
    flushToDisk(unfinished);
  } catch (error) {
    removeDatabase(unfinished);
    throw error;
  }
  renameSync(unfinished, to);
}

async function copyMoment(file: string, to: string): Promise<void> {
  const db = connect(file, { readonly: true });
  try {
    await db.raw('BEGIN');
    await db('knex_migrations').first();
    await withConnection(db, (connection) => connection.backup(to));
    await db.raw('COMMIT');
  } finally {
    await db.destroy();
  }
}

async function withConnection(db: Knex, act: (connection: RawConnection) => Promise<unknown>): Promise<void> {
  const { client } = db as unknown as {
    client: { acquireConnection: () => Promise<RawConnection>; releaseConnection: (connection: RawConnection) => Promise<void> };
  };
  const connection = await client.acquireConnection();
  try {
    await act(connection);
  } finally {
    await client.releaseConnection(connection);
  }
}
