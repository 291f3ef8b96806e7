import { setImmediate as others } from 'node:timers/promises';
import type { Knex } from 'knex';
import type { IdentifiedLogRow } from '../../core/bench/replay/logRowsOf';
import { type KeptJudgement, type RowJudgement, type StoredLogRow } from '../../core/log/definitions';
import { judgementOn } from '../../core/log/judgedRow';
import { inPieces } from '../file/inPieces';
import { inOrder, LogCache } from '../log/LogCache';

const INSERT_CHUNK = 50;
const READ_AT_ONCE = 1500;

export class TimeLogStore {
  /** `log`: what is known of the log, shared by the stores that write it. */
  constructor(
    private readonly db: Knex,
    private readonly log = new LogCache(),
  ) {}

  /** All rows in the order they were started, with the painter's word on them; a long log is read piece by piece, and others let in. */
  async list(letOthersIn: () => Promise<void> = others): Promise<StoredLogRow[]> {
    return this.log.list(this.db, async (ids) => {
      if (ids === null) return this.all(letOthersIn);
      const rows: StoredLogRow[] = [];
      for (const piece of inPieces(ids)) rows.push(...(await this.joined().whereIn('time_log.id', piece)).map(rowOf));
      return rows;
    });
  }

  async count(): Promise<number> {
    const [row] = await this.db('time_log').count<{ rows: number }[]>({ rows: '*' });
    return row!.rows;
  }

  private async all(letOthersIn: () => Promise<void>): Promise<StoredLogRow[]> {
    const rows: StoredLogRow[] = [];
    for (let last = ''; ; last = rows.at(-1)!.id) {
      const piece = await this.joined().where('time_log.id', '>', last).orderBy('time_log.id').limit(READ_AT_ONCE);
      rows.push(...piece.map(rowOf));
      if (piece.length < READ_AT_ONCE) return rows;
      await letOthersIn();
    }
  }

  async find(id: string): Promise<StoredLogRow | null> {
    const [row] = await this.joined().where('time_log.id', id);
    return row ? rowOf(row) : null;
  }

  /** Rows whose minutes nobody knows yet, of the units named. */
  async open(unitIds: readonly string[]): Promise<StoredLogRow[]> {
    const rows: StoredLogRow[] = [];
    for (const piece of inPieces(unitIds))
      rows.push(...(await this.joined().whereIn('time_log.unit_id', piece).whereNotNull('time_log.open')).map(rowOf));
    return inOrder(rows.filter((row) => row.correctedMinutes === null && row.verdict === 'unsure'));
  }

  async ofCommission(commissionId: string): Promise<StoredLogRow[]> {
    return inOrder((await this.joined().where('time_log.commission_id', commissionId)).map(rowOf));
  }

  async insert(rows: readonly (IdentifiedLogRow & Partial<RowJudgement>)[]): Promise<void> {
    await this.db.transaction(async (trx) => {
      for (const { verdict = 'unsure', correctedMinutes = null, ...row } of rows)
        if (verdict !== 'unsure' || correctedMinutes !== null)
          await saveJudgement(trx, row.id, judgementOf(row, { verdict, correctedMinutes }));
      const bare = rows.map(({ verdict: _verdict, correctedMinutes: _corrected, ...row }) => ({ ...row, eventId: null }));
      for (let at = 0; at < bare.length; at += INSERT_CHUNK)
        await trx('time_log')
          .insert(bare.slice(at, at + INSERT_CHUNK))
          .onConflict('id')
          .merge();
    });
    this.log.touch(rows.map((row) => row.id));
  }

  /** False when there is no such row. */
  async judge(id: string, judgement: RowJudgement): Promise<boolean> {
    const known = (await this.db('time_log').where({ id }).first()) as IdentifiedLogRow | undefined;
    if (known) await saveJudgement(this.db, id, judgementOf(known, judgement));
    this.log.touch([id]);
    return known !== undefined;
  }

  /** Keeps the painter's word on rows that may only come later. */
  async saveJudgements(judgements: readonly (KeptJudgement & { id: string })[]): Promise<void> {
    await this.db.transaction(async (trx) => {
      for (const { id, ...judgement } of judgements) await saveJudgement(trx, id, judgement);
    });
    this.log.touch(judgements.map(({ id }) => id));
  }

  private joined() {
    return this.db<JoinedRow>('time_log')
      .leftJoin('log_judgement', 'log_judgement.row_id', 'time_log.id')
      .select<JoinedRow[]>('time_log.*', ...JUDGED.map((column) => `log_judgement.${column}`));
  }
}

const JUDGED = ['verdict', 'corrected_minutes', 'of_models', 'of_minutes'];

interface JoinedRow extends Omit<StoredLogRow, 'said' | 'verdict'>, Omit<KeptJudgement, 'verdict'> {
  verdict: KeptJudgement['verdict'] | null;
}

function rowOf({ verdict, correctedMinutes, ofModels, ofMinutes, ...row }: JoinedRow): StoredLogRow {
  if (verdict === null) return { ...row, verdict: 'unsure', correctedMinutes: null, said: null };
  const said = { verdict, correctedMinutes, ofModels, ofMinutes };
  return { ...row, ...judgementOn(row, said), said };
}

/** With what the row is now, so that what comes later is not taken for what was judged. */
function judgementOf({ models, minutes }: Pick<IdentifiedLogRow, 'models' | 'minutes'>, judgement: RowJudgement): KeptJudgement {
  const isCorrected = judgement.correctedMinutes !== null;
  return { ...judgement, ofModels: isCorrected ? models : null, ofMinutes: isCorrected ? minutes : null };
}

async function saveJudgement(db: Knex, rowId: string, judgement: KeptJudgement): Promise<void> {
  await db('log_judgement')
    .insert({ rowId, ...judgement })
    .onConflict('row_id')
    .merge();
}
