import type { Knex } from 'knex';
import type { IdentifiedLogRow } from '../core/bench/logRowsOf';
import type { RowVerdict } from '../core/time/definitions';
import type { StoredLogRow } from '../core/views/stored';

/** Replaces the rows worked out from a run; what the painter said about a row that is still there stays. */
export async function replaceRunRows(trx: Knex, runId: string, rows: readonly IdentifiedLogRow[]): Promise<void> {
  await trx<StoredLogRow>('time_log')
    .where({ runId })
    .whereNotIn(
      'id',
      rows.map((row) => row.id),
    )
    .delete();
  for (const row of rows)
    await trx<StoredLogRow>('time_log')
      .insert({ ...row, runId })
      .onConflict('id')
      .merge();
}

const INSERT_CHUNK = 200;

export class TimeLogStore {
  constructor(private readonly db: Knex) {}

  /** All rows in the order they were started. */
  async list(): Promise<StoredLogRow[]> {
    const rows = await this.db<StoredLogRow>('time_log');
    return rows.sort((a, b) => Date.parse(a.startedAt) - Date.parse(b.startedAt) || (a.id < b.id ? -1 : 1));
  }

  async insert(rows: readonly IdentifiedLogRow[]): Promise<void> {
    await this.db.batchInsert(
      'time_log',
      rows.map((row) => ({ ...row, runId: null })),
      INSERT_CHUNK,
    );
  }

  /** False when there is no such row. */
  async judge(id: string, verdict: RowVerdict): Promise<boolean> {
    return (await this.db<StoredLogRow>('time_log').where({ id }).update({ verdict })) > 0;
  }
}
