import type { Knex } from 'knex';
import type { Paint } from '../core/scheme/definitions';
import type { StoredPaint } from '../core/views/stored';
import { saveRevision } from './revisions';

export class PaintStore {
  constructor(private readonly db: Knex) {}

  async list(): Promise<Paint[]> {
    return (await this.shelf()).map(({ revision: _revision, ...paint }) => paint);
  }

  /** Paints with the revisions that a change is made from. */
  shelf(): Promise<StoredPaint[]> {
    return this.db<StoredPaint>('paint').orderByRaw('name COLLATE NOCASE, id');
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

  /** False when the revision has moved on, or the paint is there already and was taken for a new one. */
  save({ id, ...values }: Paint, from: number): Promise<boolean> {
    return saveRevision(this.db, 'paint', { id }, values, from);
  }

  /** Adds paints that are not on the shelf yet; those that are stay as they are. */
  async addMissing(paints: readonly Paint[]): Promise<void> {
    for (const paint of paints) await this.db<Paint>('paint').insert(paint).onConflict('id').ignore();
  }
}
