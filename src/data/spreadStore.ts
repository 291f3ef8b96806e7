import type { Knex } from 'knex';
import type { Spreads } from '../core/time/spreads';

/** How much things differ in the log, and of how many of its first rows that was learned. */
export interface LearnedSpreads {
  rows: number;
  spreads: Spreads;
}

const ID = 1;

export class SpreadStore {
  constructor(private readonly db: Knex) {}

  /** Null while nothing is learned. */
  async load(): Promise<LearnedSpreads | null> {
    const row: { rows: number; spreads: string } | undefined = await this.db('learned_spreads').where({ id: ID }).first();
    return row ? { rows: row.rows, spreads: JSON.parse(row.spreads) as Spreads } : null;
  }

  async save({ rows, spreads }: LearnedSpreads): Promise<void> {
    await this.db('learned_spreads')
      .insert({ id: ID, rows, spreads: JSON.stringify(spreads) })
      .onConflict('id')
      .merge();
  }
}
