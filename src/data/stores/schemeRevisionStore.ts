import type { Knex } from 'knex';
import { EMPTY_SCHEME, type Scheme } from '../../core/scheme/model/definitions';
import type { SchemeRevision } from '../../core/commission/revisions';

type Row = Omit<SchemeRevision, 'scheme'> & { scheme: string };

/** Schemes as they stood at a moment that counts. */
export class SchemeRevisionStore {
  constructor(private readonly db: Knex) {}

  /** The latest first. */
  async ofUnits(unitIds: readonly string[]): Promise<SchemeRevision[]> {
    const rows: Row[] = await this.db<Row>('scheme_revision').whereIn('unitId', unitIds).orderBy('id', 'desc');
    return rows.map((row) => ({ ...row, scheme: { ...EMPTY_SCHEME, ...(JSON.parse(row.scheme) as Partial<Scheme>) } }));
  }

  async insert({ scheme, ...revision }: SchemeRevision): Promise<void> {
    await this.db('scheme_revision').insert({ ...revision, scheme: JSON.stringify(scheme) });
  }
}
