import { object, type InferType } from 'yup';
import { oneOf } from '../../core/formats/fields';
import { writeTimeLog } from '../../core/formats/timeLog';
import type { Technique } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import { fitTimeModel } from '../../core/time/hierarchicalModel';
import { normMinutes } from '../../core/time/norms';
import type { LogPicture, TechniquePace } from '../../core/views/log';
import type { StoredLogRow } from '../../core/views/stored';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';

const MOST_ROWS_SHOWN = 400;

export async function loadLog(stores: Pick<Stores, 'timeLog'>, now: Date): Promise<LogPicture> {
  const rows = await stores.timeLog.list();
  const { interrupted } = fitTimeModel(rows, now);
  const marked = rows.map((row, index) => ({ ...row, interrupted: interrupted[index]! }));
  return {
    rows: marked.slice(-MOST_ROWS_SHOWN).reverse(),
    totals: {
      rows: rows.length,
      minutes: rows.reduce((sum, row) => sum + row.minutes, 0),
      models: rows.reduce((sum, row) => sum + row.models, 0),
      looksInterrupted: marked.filter((row) => row.interrupted && row.verdict === 'unsure').length,
    },
    techniques: techniquePaces(marked.filter((row) => row.verdict !== 'left out' && !row.interrupted)),
  };
}

function techniquePaces(rows: StoredLogRow[]): TechniquePace[] {
  const sums = new Map<Technique, { actual: number; norm: number; models: number }>();
  for (const row of rows) {
    const sum = sums.get(row.technique) ?? { actual: 0, norm: 0, models: 0 };
    sum.actual += row.minutes;
    sum.norm += normMinutes(row.technique, row.size, row.coverage) * row.models;
    sum.models += row.models;
    sums.set(row.technique, sum);
  }
  return [...sums]
    .map(([technique, { actual, norm, models }]) => ({ technique, label: factsOf(technique).label, models, ratio: actual / norm }))
    .sort((a, b) => b.models - a.models);
}

export async function exportTimeLog(stores: Pick<Stores, 'timeLog'>): Promise<string> {
  return writeTimeLog(await stores.timeLog.list());
}

export const judgeRowSchema = object({ verdict: oneOf(['unsure', 'counts', 'left out'] as const) });

/** The painter's word on a row: interrupted or not. */
export async function judgeRow(
  stores: Pick<Stores, 'timeLog'>,
  id: string | undefined,
  input: InferType<typeof judgeRowSchema>,
): Promise<void> {
  if (!(await stores.timeLog.judge(id ?? '', input.verdict)))
    throw new NotFoundError(`There is no row ${id} in the time log: reload the page.`);
}
