import type { Knex } from 'knex';
import { EMPTY_SCHEME, type Paint, type Scheme, type StoredPaint } from '../../core/scheme/model/definitions';
import { paintsOfScheme } from '../../core/scheme/model/pots';
import { saveRevision } from '../file/revisions';

export class PaintStore {
  constructor(private readonly db: Knex) {}

  async list(): Promise<Paint[]> {
    return (await this.shelf()).map(({ revision: _revision, ...paint }) => paint);
  }

  /** Paints with the revisions that a change is made from. */
  shelf(): Promise<StoredPaint[]> {
    return this.db<StoredPaint>('paint').orderByRaw('name COLLATE NOCASE, id');
  }

  /** How many units use each paint, in mixes too; paints that none uses are left out. */
  async unitsUsing(): Promise<Record<string, number>> {
    const units: { scheme: string }[] = await this.db('unit').where('removed', 0).select('scheme');
    const uses: Record<string, number> = Object.create(null) as Record<string, number>;
    for (const { scheme } of units)
      for (const id of paintsOfScheme({ ...EMPTY_SCHEME, ...(JSON.parse(scheme) as Partial<Scheme>) })) uses[id] = (uses[id] ?? 0) + 1;
    return uses;
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
