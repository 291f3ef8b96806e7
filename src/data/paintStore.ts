import type { Knex } from 'knex';
import type { Paint } from '../core/scheme/definitions';

export class PaintStore {
  constructor(private readonly db: Knex) {}

  async list(): Promise<Paint[]> {
    return this.db<Paint>('paint').orderByRaw('name COLLATE NOCASE, id');
  }

  /** How many units use each paint; paints that none uses are left out. */
  async unitsUsing(): Promise<Record<string, number>> {
    const rows: { paintId: string; units: number }[] = await this.db('step')
      .join('unit', 'unit.id', 'step.unitId')
      .where('unit.removed', 0)
      .whereNotNull('paintId')
      .groupBy('paintId')
      .select('paintId')
      .countDistinct({ units: 'unitId' });
    return Object.fromEntries(rows.map((row) => [row.paintId, row.units]));
  }

  async save(paint: Paint): Promise<void> {
    await this.db<Paint>('paint').insert(paint).onConflict('id').merge();
  }

  /** Adds paints that are not on the shelf yet; those that are stay as they are. */
  async addMissing(paints: readonly Paint[]): Promise<void> {
    for (const paint of paints) await this.db<Paint>('paint').insert(paint).onConflict('id').ignore();
  }
}
