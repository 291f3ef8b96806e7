import type { Knex } from 'knex';
import type { Picture } from '../../core/commission/pictures';

const FIELDS = [
  'id',
  'commissionId',
  'unitId',
  'partId',
  'kind',
  'closeness',
  'caption',
  'width',
  'height',
  'addedAt',
  'removedAt',
] as const satisfies (keyof Picture)[];

/** Pictures, already re-encoded. */
export class PictureStore {
  constructor(private readonly db: Knex) {}

  /** Those taken out of sight too, in the order they came. */
  ofCommission(commissionId: string): Promise<Picture[]> {
    return this.db<Picture>('picture')
      .where({ commissionId })
      .orderBy(['addedAt', 'id'])
      .select(...FIELDS);
  }

  /** Those that are shown of these units. */
  ofUnits(unitIds: readonly string[]): Promise<Picture[]> {
    return this.db<Picture>('picture')
      .whereIn('unitId', unitIds)
      .whereNull('removedAt')
      .orderBy(['addedAt', 'id'])
      .select(...FIELDS);
  }

  async find(id: string): Promise<Picture | null> {
    const [row] = await this.db<Picture>('picture')
      .where({ id })
      .select(...FIELDS);
    return row ?? null;
  }

  async bytes(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const row = (await this.db('picture').where({ id }).select('bytes').first()) as { bytes: Buffer } | undefined;
    return row ? Uint8Array.from(row.bytes) : null;
  }

  async insert(picture: Picture, bytes: Uint8Array): Promise<void> {
    await this.db('picture').insert({ ...picture, bytes: Buffer.from(bytes) });
  }

  /** False when there is none. */
  async update(id: string, part: Partial<Pick<Picture, 'closeness' | 'caption' | 'removedAt'>>): Promise<boolean> {
    return (await this.db('picture').where({ id }).update(part)) > 0;
  }
}
