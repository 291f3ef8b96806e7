import type { Knex } from 'knex';
import type { OtherWork } from '../../core/bench/otherWork';

export class OtherWorkStore {
  constructor(private readonly db: Knex) {}

  /** Of these commissions, newest first. */
  ofCommissions(commissionIds: readonly string[]): Promise<OtherWork[]> {
    return this.db<OtherWork>('other_work')
      .whereIn('commissionId', [...commissionIds])
      .orderBy([
        { column: 'startedAt', order: 'desc' },
        { column: 'id', order: 'desc' },
      ]);
  }

  async find(id: string): Promise<OtherWork | null> {
    return (await this.db<OtherWork>('other_work').where({ id }).first()) ?? null;
  }

  /** The piece whose clock runs; there is one at most. */
  async running(): Promise<OtherWork | null> {
    return (await this.db<OtherWork>('other_work').whereNull('endedAt').first()) ?? null;
  }

  /** Adds a piece, or replaces it by its id. */
  async put(work: OtherWork): Promise<void> {
    await this.db('other_work').insert(work).onConflict('id').merge();
  }

  async remove(id: string): Promise<boolean> {
    return (await this.db('other_work').where({ id }).delete()) > 0;
  }
}
