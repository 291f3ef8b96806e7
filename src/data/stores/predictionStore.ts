import type { Knex } from 'knex';
import type { RowPrediction } from '../../core/time/check/predictRows';
import { DatabaseVersion } from '../file/DatabaseVersion';
import { inPieces } from '../file/inPieces';

/** What was foretold of a row of the log, when it had so many models. */
export interface StoredPrediction extends RowPrediction {
  rowId: string;
  models: number;
}

const INSERT_CHUNK = 100;

export class PredictionStore {
  constructor(
    private readonly db: Knex,
    private readonly version = new DatabaseVersion(db),
  ) {}

  async list(): Promise<StoredPrediction[]> {
    return this.db('row_prediction').select('rowId', 'models', 'p10', 'p50', 'p80', 'p90');
  }

  async ofRows(rowIds: readonly string[]): Promise<StoredPrediction[]> {
    const found: StoredPrediction[] = [];
    for (const piece of inPieces(rowIds))
      found.push(...(await this.db('row_prediction').whereIn('rowId', piece).select('rowId', 'models', 'p10', 'p50', 'p80', 'p90')));
    return found;
  }

  /** No view plans with them: the database counts as unchanged. */
  async save(predictions: readonly StoredPrediction[]): Promise<void> {
    await this.db.transaction(async (trx) => {
      for (let at = 0; at < predictions.length; at += INSERT_CHUNK)
        await trx('row_prediction')
          .insert(predictions.slice(at, at + INSERT_CHUNK))
          .onConflict('row_id')
          .merge();
    });
    this.version.countIdle(predictions.length);
  }
}
