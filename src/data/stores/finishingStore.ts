import type { Knex } from 'knex';
import { NO_FINISHING, type Finishing } from '../../core/finish/definitions';
import { inPieces } from '../file/inPieces';
import { revisionOf, saveRevision } from '../file/revisions';

interface FinishingRow {
  commissionId: string;
  finishing: string;
}

const finishingOf = (row: FinishingRow): Finishing => ({ ...NO_FINISHING, ...(JSON.parse(row.finishing) as Partial<Finishing>) });

/** How commissions end. */
export class FinishingStore {
  constructor(private readonly db: Knex) {}

  async load(commissionId: string): Promise<{ finishing: Finishing; revision: number }> {
    const row = await this.db<FinishingRow>('finishing').where({ commissionId }).first();
    return { finishing: row ? finishingOf(row) : NO_FINISHING, revision: await revisionOf(this.db, 'finishing', { commissionId }) };
  }

  /** Those of some commissions of which anything was said, by commission. */
  async ofCommissions(commissionIds: readonly string[]): Promise<Map<string, Finishing>> {
    const found = new Map<string, Finishing>();
    for (const piece of inPieces(commissionIds))
      for (const row of await this.db<FinishingRow>('finishing').whereIn('commissionId', piece))
        found.set(row.commissionId, finishingOf(row));
    return found;
  }

  /** False when the revision has moved on. */
  save(commissionId: string, finishing: Finishing, from: number): Promise<boolean> {
    return saveRevision(this.db, 'finishing', { commissionId }, { finishing: JSON.stringify(finishing) }, from);
  }
}
