import { boolean, object, string, type InferType } from 'yup';
import { ulid } from 'ulid';
import { readTimeLog } from '../../core/formats/timeLog';
import type { LogRow } from '../../core/time/definitions';
import type { TimeLogImport } from '../../core/views/log';
import type { Stores } from '../stores';

export const importTimeLogSchema = object({ csv: string().strict().defined(), confirm: boolean().strict().required() });
/** About 100,000 rows. */
export const IMPORT_LIMIT_BYTES = 20_000_000;

const SAMPLE_ROWS = 8;
const identity = (row: LogRow) => [Date.parse(row.startedAt), row.commission, row.unit, row.part, row.technique, row.models].join('\u0001');

/** Reads a time log file. Without `confirm` it only says what it would take; rows in the log already are not taken twice. */
export async function importTimeLog(
  stores: Pick<Stores, 'timeLog'>,
  input: InferType<typeof importTimeLogSchema>,
  now: Date,
): Promise<TimeLogImport> {
  const { rows, bad } = readTimeLog(input.csv);
  const known = new Set((await stores.timeLog.list()).map((row) => identity(row)));
  const fresh = rows.filter((row) => !known.has(identity(row)));
  if (input.confirm) await stores.timeLog.insert(fresh.map((row) => ({ id: ulid(now.getTime()), ...row })));
  return { newRows: fresh.length, knownRows: rows.length - fresh.length, bad, sample: fresh.slice(0, SAMPLE_ROWS), taken: input.confirm };
}
