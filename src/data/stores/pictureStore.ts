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
  'light',
  'forClient',
  'spots',
  'width',
  'height',
  'addedAt',
  'removedAt',
] as const satisfies (keyof Picture)[];

type PictureRow = Omit<Picture, 'forClient' | 'spots'> & { forClient: number; spots: string };

const pictureOf = (row: PictureRow): Picture => ({
  ...row,
  forClient: row.forClient === 1,
  spots: JSON.parse(row.spots) as Picture['spots'],
});

/** What of a picture can be said anew. */
export type PictureChange = Partial<Pick<Picture, 'closeness' | 'caption' | 'light' | 'forClient' | 'spots' | 'removedAt'>>;

/** Pictures, already re-encoded. */
export class PictureStore {
  constructor(private readonly db: Knex) {}

  /** Those taken out of sight too, in the order they came. */
  async ofCommission(commissionId: string): Promise<Picture[]> {
    return (await this.shown().where({ commissionId })).map(pictureOf);
  }

  /** Those that are shown of these units. */
  async ofUnits(unitIds: readonly string[]): Promise<Picture[]> {
    return (await this.shown().whereIn('unitId', unitIds).whereNull('removedAt')).map(pictureOf);
  }

  async find(id: string): Promise<Picture | null> {
    const [row] = await this.shown().where({ id });
    return row ? pictureOf(row) : null;
  }

  private shown() {
    return this.db<PictureRow>('picture')
      .orderBy(['addedAt', 'id'])
      .select(...FIELDS);
  }

  async bytes(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const row = (await this.db('picture').where({ id }).select('bytes').first()) as { bytes: Buffer } | undefined;
    return row ? Uint8Array.from(row.bytes) : null;
  }

  async insert(picture: Picture, bytes: Uint8Array): Promise<void> {
    await this.db('picture').insert({ ...picture, spots: JSON.stringify(picture.spots), bytes: Buffer.from(bytes) });
  }

  /** False when there is none. */
  async update(id: string, { spots, ...part }: PictureChange): Promise<boolean> {
    const row = { ...part, ...(spots && { spots: JSON.stringify(spots) }) };
    return (await this.db('picture').where({ id }).update(row)) > 0;
  }
}
