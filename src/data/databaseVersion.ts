import type { Knex } from 'knex';

/** A text that changes with every write to the database, by this program or by another. */
export async function databaseVersion(db: Knex): Promise<string> {
  const [own] = await db.raw<{ changes: number }[]>('SELECT total_changes() AS changes');
  const [others] = await db.raw<{ dataVersion: number }[]>('PRAGMA data_version');
  return `${own!.changes} ${others!.dataVersion}`;
}
