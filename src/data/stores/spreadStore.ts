import type { Knex } from 'knex';
import type { StrayEstimates } from '../../core/time/learn/strayFactors';
import { PRIOR_SPREADS, type Spreads } from '../../core/time/fit/spreads';

/** How much things differ in the log and how far work strays, and from how many of its first rows that was learned. */
export interface LearnedSpreads {
  rows: number;
  spreads: Spreads;
  strays: StrayEstimates;
}

const ID = 1;

export class SpreadStore {
  constructor(private readonly db: Knex) {}

  /** Null while nothing is learned. */
  async load(): Promise<LearnedSpreads | null> {
    const row: { rows: number; spreads: string; strays: string } | undefined = await this.db('learned_spreads').where({ id: ID }).first();
    // What an earlier version did not know is as it is before anything is learned.
    if (!row) return null;
    const spreads = { ...PRIOR_SPREADS, ...(JSON.parse(row.spreads) as Partial<Spreads>) };
    return { rows: row.rows, spreads, strays: JSON.parse(row.strays) as StrayEstimates };
  }

  async save({ rows, spreads, strays }: LearnedSpreads): Promise<void> {
    await this.db('learned_spreads')
      .insert({ id: ID, rows, spreads: JSON.stringify(spreads), strays: JSON.stringify(strays) })
      .onConflict('id')
      .merge();
  }
}
