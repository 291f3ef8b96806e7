import type { Knex } from 'knex';
import type { StoredLogRow } from '../../core/log/definitions';

/**
 * The time log as this program last read it: a long log is read once, and after that only the rows that were written since.
 * Another program's writes show in the database's own version, and everything is read anew.
 */
export class LogCache {
  private rows: Map<string, StoredLogRow> | null = null;
  private sorted: StoredLogRow[] | null = null;
  private readonly stale = new Set<string>();
  private version = -1;

  /** These rows were written, or are gone. */
  touch(ids: readonly string[]): void {
    for (const id of ids) this.stale.add(id);
  }

  /** Everything was written anew. */
  forget(): void {
    this.rows = null;
  }

  /** All rows in the order they were started; `read` fetches all of them, or those named. */
  async list(db: Knex, read: (ids: string[] | null) => Promise<StoredLogRow[]>): Promise<StoredLogRow[]> {
    const [{ dataVersion }] = (await db.raw('PRAGMA data_version')) as [{ dataVersion: number }];
    if (this.rows === null || dataVersion !== this.version) {
      this.stale.clear();
      this.version = dataVersion;
      this.rows = new Map((await read(null)).map((row) => [row.id, row]));
      this.sorted = null;
    }
    if (this.stale.size > 0) {
      const ids = [...this.stale];
      this.stale.clear();
      for (const id of ids) this.rows.delete(id);
      for (const row of await read(ids)) this.rows.set(row.id, row);
      this.sorted = null;
    }
    this.sorted ??= inOrder([...this.rows.values()]);
    return this.sorted;
  }
}

export const inOrder = (rows: StoredLogRow[]): StoredLogRow[] =>
  rows
    .map((row) => ({ row, at: Date.parse(row.startedAt) }))
    .sort((a, b) => a.at - b.at || (a.row.id < b.row.id ? -1 : 1))
    .map(({ row }) => row);
