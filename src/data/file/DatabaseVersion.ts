import type { Knex } from 'knex';

/** Tells whether anything was written to a database that a view is computed from, by this program or by another. */
export class DatabaseVersion {
  private idleRows = 0;

  constructor(private readonly db: Knex) {}

  /** The last write, of so many rows, changed nothing that a view is computed from. */
  countIdle(rows = 1): void {
    this.idleRows += rows;
  }

  /** A text that changes with every write that matters. */
  async read(): Promise<string> {
    const [own] = await this.db.raw<{ changes: number }[]>('SELECT total_changes() AS changes');
    const [others] = await this.db.raw<{ dataVersion: number }[]>('PRAGMA data_version');
    return `${own!.changes - this.idleRows} ${others!.dataVersion}`;
  }
}
