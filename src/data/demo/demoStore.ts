import type { Knex } from 'knex';
import { LogCache } from '../log/LogCache';
import type { DemoQuote } from './fillDemo';
import { inTransaction } from '../stores/transaction';
import { WorkshopStore } from '../stores/workshopStore';

/** Everything that is kept, what refers to others first. */
const TABLES = [
  'library_use',
  'library_scheme',
  'scheme_revision',
  'test_round',
  'quote',
  'quote_terms',
  'mail',
  'picture',
  'scope_change',
  'other_work',
  'removed_piece',
  'scheme_piece',
  'unit',
  'commission',
  'pot_level',
  'mix_seen',
  'paint',
  'house_rules',
  'own_line',
  'planned_order',
  'workshop',
  'bench_event',
  'log_judgement',
  'time_log',
  'learned_spreads',
  'row_prediction',
] as const;

/** The demo in a data folder that was empty, and the way back. */
export class DemoStore {
  constructor(
    private readonly db: Knex,
    private readonly log = new LogCache(),
  ) {}

  async isEmpty(): Promise<boolean> {
    for (const table of ['commission', 'paint', 'time_log']) if (await this.db(table).first()) return false;
    return true;
  }

  /** `quote` prices the first commission before anything of it is painted. */
  async fill(now: Date, quote: DemoQuote): Promise<void> {
    const { fillDemo } = await import('./fillDemo');
    await inTransaction(this.db, this.log, (trx) => fillDemo({ knex: trx }, now, quote));
  }

  /** Nothing is here but the demo: no commission of the painter's own. */
  async isAllDemo(): Promise<boolean> {
    const row: { demo: string | null } | undefined = await this.db('workshop').where({ id: 1 }).first();
    if (!row?.demo) return false;
    const demo = JSON.parse(row.demo) as string[];
    return (await this.db('commission').whereNotIn('id', demo).first()) === undefined;
  }

  /** Empties the data folder. */
  async clear(): Promise<void> {
    await inTransaction(this.db, this.log, async (trx) => {
      for (const table of TABLES) await trx(table).delete();
      await new WorkshopStore(trx).open();
    });
  }
}
