import type { Knex } from 'knex';
import { PRIOR_SPREADS, type Spreads } from '../../core/time/fit/spreads';

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
    // What an earlier version did not know is as it is before anything is learned.
    return row ? { rows: row.rows, spreads: { ...PRIOR_SPREADS, ...(JSON.parse(row.spreads) as Partial<Spreads>) } } : null;
  }

  async save({ rows, spreads }: LearnedSpreads): Promise<void> {
    await this.db('learned_spreads')
      .insert({ id: ID, rows, spreads: JSON.stringify(spreads) })
      .onConflict('id')
      .merge();
  }
}
