import type { Knex } from 'knex';
import type { LogCache } from '../log/LogCache';

/** Writes all or nothing. What this program remembers of the log is read anew afterwards. */
export async function inTransaction<T>(db: Knex, log: LogCache, work: (trx: Knex) => Promise<T>): Promise<T> {
  try {
    return await db.transaction(async (trx) => {
      // The right to write is taken first: taken later, after reading, it is refused when anybody wrote in between.
      await trx('workshop').where({ id: 1 }).update({ id: 1 });
      return work(trx);
    });
  } finally {
    log.forget();
  }
}
