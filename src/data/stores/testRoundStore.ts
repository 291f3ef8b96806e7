import type { Knex } from 'knex';
import type { TestRound } from '../../core/commission/testModel';

/** A letter of the outbox without its text. */
export interface Mail {
  id: string;
  commissionId: string;
  writtenAt: string;
  sentTo: string;
  subject: string;
}

/** Test models that were sent and answered, and the outbox. */
export class TestRoundStore {
  constructor(private readonly db: Knex) {}

  /** In the order they were made. */
  ofUnits(unitIds: readonly string[]): Promise<TestRound[]> {
    return this.db<TestRound>('test_round').whereIn('unitId', unitIds).orderBy('id');
  }

  async find(id: string): Promise<TestRound | null> {
    return (await this.db<TestRound>('test_round').where({ id }).first()) ?? null;
  }

  /** Adds a round, or replaces it by its id. */
  async put(round: TestRound): Promise<void> {
    await this.db('test_round').insert(round).onConflict('id').merge();
  }

  async insertMail(mail: Mail, eml: Uint8Array): Promise<void> {
    await this.db('mail').insert({ ...mail, eml: Buffer.from(eml) });
  }

  async mail(id: string): Promise<(Mail & { eml: Uint8Array<ArrayBuffer> }) | null> {
    const row = (await this.db('mail').where({ id }).first()) as (Mail & { eml: Buffer }) | undefined;
    return row ? { ...row, eml: Uint8Array.from(row.eml) } : null;
  }

  /** The address written to last for a commission; empty when there is none. */
  async lastTo(commissionId: string): Promise<string> {
    const row = (await this.db('mail').where({ commissionId }).orderBy('id', 'desc').select('sentTo').first()) as Mail | undefined;
    return row?.sentTo ?? '';
  }
}
