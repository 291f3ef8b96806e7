import type { Knex } from 'knex';

/** Writes that change nothing a view is computed from, by database. */
const idle = new WeakMap<Knex, number>();

/** Says that the last write was such a one, of so many rows. */
export const countIdleWrite = (db: Knex, rows = 1): void => void idle.set(db, (idle.get(db) ?? 0) + rows);

/** A text that changes with every write that matters, by this program or by another. */
export async function databaseVersion(db: Knex): Promise<string> {
  const [own] = await db.raw<{ changes: number }[]>('SELECT total_changes() AS changes');
  const [others] = await db.raw<{ dataVersion: number }[]>('PRAGMA data_version');
  return `${own!.changes - (idle.get(db) ?? 0)} ${others!.dataVersion}`;
}
