import type { Knex } from 'knex';
import type { OwnLine } from '../core/line/carryOver';

interface OwnLineRow {
  commissionId: string;
  line: string;
}

/** The order a painter has made for a commission, with its pins and wishes. */
export class OwnLineStore {
  constructor(private readonly db: Knex) {}

  async find(commissionId: string): Promise<OwnLine | null> {
    const row = await this.db<OwnLineRow>('own_line').where({ commissionId }).first();
    return row ? (JSON.parse(row.line) as OwnLine) : null;
  }

  /** Null forgets it. */
  async save(commissionId: string, line: OwnLine | null): Promise<void> {
    if (line === null) await this.db<OwnLineRow>('own_line').where({ commissionId }).delete();
    else
      await this.db<OwnLineRow>('own_line')
        .insert({ commissionId, line: JSON.stringify(line) })
        .onConflict('commissionId')
        .merge();
  }
}
