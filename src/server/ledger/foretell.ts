import { predictRows } from '../../core/time/check/predictRows';
import type { StoredLogRow } from '../../core/log/definitions';
import type { StoredPrediction } from '../../data/stores/predictionStore';
import { inSlices } from '../running/inSlices';
import type { Stores } from '../stores/stores';

/** Of a long log that a file brought, the latest so many rows are foretold. */
const MOST_ROWS = 500;
/** So many in one go, that the program can be stopped in between. */
const AT_ONCE = 40;

type Foretelling = Pick<Stores, 'timeLog' | 'predictions'>;

/** The first of the latest rows of which it is not written down what the rows before it foretold; the length of the log when all are. */
async function firstUnknown({ predictions }: Foretelling, log: readonly StoredLogRow[]): Promise<number> {
  const known = new Map((await predictions.list()).map(({ rowId, models }) => [rowId, models]));
  const from = Math.max(0, log.length - MOST_ROWS);
  const unknown = log.slice(from).findIndex(({ id, models }) => known.get(id) !== models);
  return unknown === -1 ? log.length : from + unknown;
}

/** The row in hand may still grow: rows are foretold as soon as another has begun. */
const finished = (log: readonly StoredLogRow[]) => log.slice(0, -1);

export async function isToForetell(stores: Foretelling): Promise<boolean> {
  const log = finished(await stores.timeLog.list());
  return (await firstUnknown(stores, log)) < log.length;
}

/** What the rows before it foretold of each of the next rows, so that it can be seen whether the estimates were right. */
export async function foretell(stores: Foretelling): Promise<StoredPrediction[]> {
  const log = finished(await stores.timeLog.list());
  const from = await firstUnknown(stores, log);
  const predictions = await inSlices(predictRows(log.slice(0, from + AT_ONCE), { from, orOdd: false }));
  return predictions.map((prediction, index) => ({ ...prediction, rowId: log[from + index]!.id, models: log[from + index]!.models }));
}
