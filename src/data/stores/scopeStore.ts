import type { Knex } from 'knex';
import type { ScopeChange } from '../../core/commission/scope';
import { inPieces } from '../file/inPieces';

/** Dated changes of what was agreed. */
export class ScopeStore {
  constructor(private readonly db: Knex) {}

  /** Those that stand, in the order they were made. */
  ofCommission(commissionId: string): Promise<ScopeChange[]> {
    return this.written(commissionId).whereNull('takenBackAt');
  }

  /** With those that were settled and taken back. */
  allOfCommission(commissionId: string): Promise<ScopeChange[]> {
    return this.written(commissionId);
  }

  private written(commissionId: string) {
    return this.db<ScopeChange>('scope_change').where({ commissionId }).orderBy(['at', 'id']);
  }

  /** Those of some commissions of which nobody has said what they cost. */
  async unpricedOf(commissionIds: readonly string[]): Promise<ScopeChange[]> {
    const changes: ScopeChange[] = [];
    for (const piece of inPieces(commissionIds))
      changes.push(
        ...(await this.db<ScopeChange>('scope_change')
          .whereIn('commissionId', piece)
          .whereNull('priceMinor')
          .whereNull('takenBackAt')
          .orderBy(['at', 'id'])),
      );
    return changes;
  }

  /** Adds a change, or replaces it by its id. */
  async put(change: ScopeChange): Promise<void> {
    await this.db('scope_change').insert(change).onConflict('id').merge();
  }

  async takeBack(id: string, takenBackAt: string): Promise<void> {
    await this.db('scope_change').where({ id }).update({ takenBackAt });
  }

  async remove(id: string): Promise<void> {
    await this.db('scope_change').where({ id }).delete();
  }

  /** False when there is none. */
  async removeExtra(id: string): Promise<boolean> {
    return (await this.db('scope_change').where({ id, subject: 'extra' }).delete()) > 0;
  }

  /** False when there is none. */
  async settle(id: string, said: Pick<ScopeChange, 'note' | 'priceMinor'>): Promise<boolean> {
    return (await this.db('scope_change').where({ id }).update({ note: said.note, priceMinor: said.priceMinor })) > 0;
  }
}
