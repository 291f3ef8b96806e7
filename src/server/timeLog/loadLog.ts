import { object, type InferType } from 'yup';
import { count, minutes, oneOf } from '../../core/formats/fields';
import { writeTimeLog } from '../../core/formats/timeLog';
import type { Technique } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import { minutesThatCount, ROW_VERDICTS } from '../../core/time/definitions';
import { normMinutes } from '../../core/time/norms';
import { LOG_FILTERS, type ClosedCommission, type LogPage, type LogPicture, type ShownRow, type TechniquePace } from '../../core/views/log';
import { NotFoundError } from '../errors';
import { loadWorkshop, type Workshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores';

const ROWS_ON_A_PAGE = 100;

export async function loadLog(stores: Stores, now: Date): Promise<LogPicture> {
  const rows = shownRows(await loadWorkshop(stores, now));
  const counting = rows.filter((row) => row.verdict !== 'left out');
  return {
    first: pageOf(rows, 0),
    totals: {
      rows: rows.length,
      minutes: counting.reduce((sum, row) => sum + (minutesThatCount(row) ?? 0), 0),
      models: rows.reduce((sum, row) => sum + row.models, 0),
      toJudge: rows.filter(isToJudge).length,
    },
    techniques: techniquePaces(counting.filter((row) => !row.interrupted)),
    closed: await closedCommissions(stores, counting),
  };
}

export const logPageSchema = object({ page: count(0), filter: oneOf(LOG_FILTERS) });

export async function loadLogPage(stores: Stores, { page, filter }: InferType<typeof logPageSchema>, now: Date): Promise<LogPage> {
  const rows = shownRows(await loadWorkshop(stores, now));
  return pageOf(
    filter === 'all' ? rows : rows.filter((row) => isToJudge(row) || row.verdict !== 'unsure' || row.correctedMinutes !== null),
    page,
  );
}

const shownRows = ({ log, model }: Workshop): ShownRow[] => log.map((row, index) => ({ ...row, interrupted: model.interrupted[index]! }));

/** The painter's word is asked for: nobody knows its minutes, or it took much longer than usual. */
const isToJudge = (row: ShownRow): boolean =>
  row.verdict === 'unsure' && row.correctedMinutes === null && (row.interrupted || row.open !== null);

function pageOf(rows: readonly ShownRow[], page: number): LogPage {
  const end = rows.length - page * ROWS_ON_A_PAGE;
  return {
    rows: rows.slice(Math.max(0, end - ROWS_ON_A_PAGE), Math.max(0, end)).reverse(),
    page,
    pages: Math.max(1, Math.ceil(rows.length / ROWS_ON_A_PAGE)),
  };
}

function techniquePaces(rows: readonly ShownRow[]): TechniquePace[] {
  const sums = new Map<Technique, { actual: number; norm: number; models: number }>();
  for (const row of rows) {
    const actual = minutesThatCount(row);
    if (actual === null) continue;
    const sum = sums.get(row.technique) ?? { actual: 0, norm: 0, models: 0 };
    sum.actual += actual;
    sum.norm += normMinutes(row.technique, row.size, row.coverage) * row.weight;
    sum.models += row.models;
    sums.set(row.technique, sum);
  }
  return [...sums]
    .map(([technique, { actual, norm, models }]) => ({ technique, label: factsOf(technique).label, models, ratio: actual / norm }))
    .sort((a, b) => b.models - a.models);
}

async function closedCommissions(stores: Pick<Stores, 'commissions'>, rows: readonly ShownRow[]): Promise<ClosedCommission[]> {
  const sums = new Map<string, { minutes: number; models: number }>();
  for (const row of rows) {
    if (row.commissionId === null) continue;
    const sum = sums.get(row.commissionId) ?? { minutes: 0, models: 0 };
    sum.minutes += minutesThatCount(row) ?? 0;
    sum.models += row.models;
    sums.set(row.commissionId, sum);
  }
  return (await stores.commissions.listClosed()).map(({ id, name, client, closedAt }) => ({
    id,
    name,
    client,
    closedAt: closedAt!,
    ...(sums.get(id) ?? { minutes: 0, models: 0 }),
  }));
}

export async function exportTimeLog(stores: Pick<Stores, 'timeLog'>): Promise<string> {
  return writeTimeLog(await stores.timeLog.list());
}

export const judgeRowSchema = object({
  verdict: oneOf(ROW_VERDICTS),
  /** More than nothing and at most a week. */
  correctedMinutes: minutes().min(0.01).max(10_080).nullable().defined(),
});

/** The painter's word on a row: what it counts for, and how long it really took. What was measured stays as it is. */
export async function judgeRow(
  stores: Pick<Stores, 'timeLog'>,
  id: string | undefined,
  judgement: InferType<typeof judgeRowSchema>,
): Promise<void> {
  if (!(await stores.timeLog.judge(id ?? '', judgement)))
    throw new NotFoundError(`There is no row ${id} in the time log: reload the page.`);
}
