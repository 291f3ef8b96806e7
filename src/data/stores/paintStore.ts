import type { Knex } from 'knex';
import type { PotFacts, PotLevel, ShelfPaint } from '../../core/paint/shelf';
import type { SeenMix } from '../../core/paint/learnStrengths';
import { EMPTY_SCHEME, type Paint, type Scheme } from '../../core/scheme/model/definitions';
import { paintsOfScheme } from '../../core/scheme/model/pots';
import { saveRevision } from '../file/revisions';

interface PaintRow extends Omit<ShelfPaint, 'discontinued' | 'spoilt' | 'strength'> {
  discontinued: number;
  spoilt: number;
  strength: number | null;
}
type LevelRow = Omit<PotLevel, 'byEye'> & { byEye: number };
type SeenRow = Omit<SeenMix, 'shares'> & { shares: string };

export class PaintStore {
  constructor(private readonly db: Knex) {}

  async list(): Promise<Paint[]> {
    return (await this.rows()).map(({ id, name, hex, kind, dryMinutes, strength }) => ({
      id,
      name,
      hex,
      kind,
      dryMinutes,
      ...(strength !== null && { strength }),
    }));
  }

  /** Paints with what is known of their pots, and the revisions that a change is made from. */
  async shelf(): Promise<ShelfPaint[]> {
    return (await this.rows()).map(({ discontinued, spoilt, strength, ...paint }) => ({
      ...paint,
      discontinued: discontinued === 1,
      spoilt: spoilt === 1,
      ...(strength !== null && { strength }),
    }));
  }

  private rows(): Promise<PaintRow[]> {
    return this.db<PaintRow>('paint').orderByRaw('name COLLATE NOCASE, id');
  }

  /** How many units use each paint, in mixes too; paints that none uses are left out. */
  async unitsUsing(): Promise<Record<string, number>> {
    const units: { scheme: string }[] = await this.db('unit').where('removed', 0).select('scheme');
    const uses: Record<string, number> = Object.create(null) as Record<string, number>;
    for (const { scheme } of units)
      for (const id of paintsOfScheme({ ...EMPTY_SCHEME, ...(JSON.parse(scheme) as Partial<Scheme>) })) uses[id] = (uses[id] ?? 0) + 1;
    return uses;
  }

  /**
   * False when the revision has moved on, or the paint is there already and was taken for a new one. What is not given of its pot stays as
   * it is; how strong it is, is learned.
   */
  save({ id, strength: _learned, ...values }: Paint & Partial<PotFacts>, from: number): Promise<boolean> {
    return saveRevision(this.db, 'paint', { id }, values, from);
  }

  /** Adds paints that are not on the shelf yet; those that are stay as they are. */
  async addMissing(paints: readonly (Paint & Partial<PotFacts>)[]): Promise<void> {
    for (const paint of paints) await this.db('paint').insert(paint).onConflict('id').ignore();
  }

  async remove(id: string): Promise<void> {
    await this.db('paint').where({ id }).delete();
  }

  async setStrengths(strengths: ReadonlyMap<string, number>): Promise<void> {
    await this.db('paint').whereNotNull('strength').update({ strength: null });
    for (const [id, strength] of strengths) await this.db('paint').where({ id }).update({ strength });
  }

  /** What was read off the pots, the oldest first. */
  async levels(): Promise<PotLevel[]> {
    const rows = await this.db<LevelRow>('pot_level').orderBy(['at', 'id']);
    return rows.map((row) => ({ ...row, byEye: Boolean(row.byEye) }));
  }

  async addLevels(levels: readonly PotLevel[]): Promise<void> {
    for (const level of levels) await this.db('pot_level').insert(level).onConflict('id').ignore();
  }

  async removeLevel(id: string): Promise<void> {
    await this.db('pot_level').where({ id }).delete();
  }

  /** What mixes looked like, the oldest first. */
  async seen(): Promise<SeenMix[]> {
    const rows = await this.db<SeenRow>('mix_seen').orderBy(['at', 'id']);
    return rows.map((row) => ({ ...row, shares: JSON.parse(row.shares) as SeenMix['shares'] }));
  }

  async addSeen(seen: SeenMix): Promise<void> {
    await this.db('mix_seen')
      .insert({ ...seen, shares: JSON.stringify(seen.shares) })
      .onConflict('id')
      .ignore();
  }

  async removeSeen(id: string): Promise<void> {
    await this.db('mix_seen').where({ id }).delete();
  }
}
