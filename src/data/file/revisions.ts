import type { Knex } from 'knex';

/** What nobody has saved yet. */
export const UNSAVED = 0;

/**
 * Saves a row whose revision is still the one that the change was made from, or adds it when it was made from none. False when
 * somebody else has saved it since.
 */
export async function saveRevision(db: Knex, table: string, key: object, values: object, from: number): Promise<boolean> {
  if (from !== UNSAVED) {
    const updated = await db(table)
      .where({ ...key, revision: from })
      .update({ ...values, revision: from + 1 });
    return updated > 0;
  }
  const added: unknown[] = await db(table)
    .insert({ ...key, ...values, revision: from + 1 })
    .onConflict(Object.keys(key))
    .ignore()
    .returning('revision');
  return added.length > 0;
}

/** The revision of a row; `UNSAVED` when there is none. */
export async function revisionOf(db: Knex, table: string, key: object): Promise<number> {
  const row: { revision: number } | undefined = await db(table).where(key).first();
  return row?.revision ?? UNSAVED;
}
