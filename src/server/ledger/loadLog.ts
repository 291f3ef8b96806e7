import { object, type InferType } from 'yup';
import { count, minutes, oneOf, text, yesOrNo } from '../../core/formats/fields';
import { sortRows, type SortValue } from '../../core/kernel/sortRows';
import { writeTimeLog } from '../../core/formats/timeLog/writeTimeLog';
import { factsOf, labelOf, type Technique } from '../../core/scheme/model/techniques';
import { minutesThatCount, ROW_VERDICTS, type StoredLogRow } from '../../core/log/definitions';
import { normMinutes } from '../../core/time/fit/norms';
import {
  LOG_COLUMNS,
  LOG_FILTERS,
  type LogColumn,
  type ClosedCommission,
  type LogPage,
  type LogPicture,
  type LogSearch,
  type TechniquePace,
} from '../../contract/log';
import { NotFoundError } from '../stores/errors';
import { letOthersIn } from '../running/inSlices';
import { loadWorkshop, type Workshop } from '../workshop/loadWorkshop';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { namedLog, withTodaysNames } from '../workshop/todaysNames';

const ROWS_ON_A_PAGE = 100;

export async function loadLog(stores: Stores, now: Date): Promise<LogPicture> {
  const workshop = await loadWorkshop(stores, now);
  const { sums, ...summary } = await summaryOf(workshop);
  const log = await namedLog(stores, workshop);
  return {
    ...summary,
    first: pageOf(log, workshop, log.keys(), 0),
    closed: await closedCommissions(stores, sums),
    commissions: [...new Set(log.map(({ commission }) => commission))].reverse(),
  };
}

interface LogSummary extends Pick<LogPicture, 'totals' | 'techniques'> {
  sums: ReadonlyMap<string, CommissionSum>;
}

/** Hands-on minutes and models of the rows of a commission that count. */
type CommissionSum = Pick<ClosedCommission, 'minutes' | 'models'>;

const SUMMARY = memoKey<Promise<LogSummary>>('what the whole log comes to');

/** What the whole log comes to; worked out once for as long as nothing is written. */
const summaryOf = (workshop: Workshop): Promise<LogSummary> => workshop.memory.once(SUMMARY, () => sumUp(workshop));

async function sumUp({ log, odd }: Workshop): Promise<LogSummary> {
  await letOthersIn();
  const counting = log.filter((row) => row.verdict !== 'left out');
  const totals = {
    rows: log.length,
    minutes: counting.reduce((sum, row) => sum + (minutesThatCount(row) ?? 0), 0),
    models: log.reduce((sum, row) => sum + row.models, 0),
    toJudge: log.filter((row) => isToJudge(row, odd)).length,
  };
  await letOthersIn();
  const techniques = techniquePaces(log.filter((row) => row.verdict !== 'left out' && !odd.has(row.id)));
  await letOthersIn();
  return { totals, techniques, sums: commissionSums(counting) };
}

export const logPageSchema = object({
  page: count(0),
  filter: oneOf(LOG_FILTERS),
  commission: text('the name of a commission').nullable().defined(),
  words: text('words to look for').defined(),
  by: oneOf(LOG_COLUMNS).nullable().optional().default(null),
  down: yesOrNo().optional().default(false),
});

type AskedPage = Omit<InferType<typeof logPageSchema>, 'by' | 'down'> & Partial<Pick<LogSearch, 'by' | 'down'>>;

export async function loadLogPage(
  stores: Stores,
  { page, filter, commission, words, by = null, down = false }: AskedPage,
  now: Date,
): Promise<LogPage> {
  const workshop = await loadWorkshop(stores, now);
  const { odd } = workshop;
  const log = await namedLog(stores, workshop);
  const sought = words.trim().toLowerCase();
  const isShown = (row: StoredLogRow) =>
    (filter === 'all' || isToJudge(row, odd) || row.verdict !== 'unsure' || row.correctedMinutes !== null) &&
    (commission === null || row.commission === commission) &&
    (sought === '' || wordsOf(row).includes(sought));
  const places = log.flatMap((row, index) => (isShown(row) ? [index] : []));
  // A page is read from its end, as the newest stand there.
  return pageOf(log, workshop, by === null ? places : sortRows(places.reverse(), (place) => VALUES[by](log[place]!), down).reverse(), page);
}

const VALUES: Record<LogColumn, (row: StoredLogRow) => SortValue> = {
  started: (row) => Date.parse(row.startedAt),
  step: (row) => `${labelOf(row)} on ${row.unit}, ${row.part}`,
  models: (row) => row.models,
  minutes: minutesThatCount,
  model: (row) => {
    const minutes = minutesThatCount(row);
    return minutes === null ? null : minutes / row.weight;
  },
};

/** How many rows of the log hold these words. */
export async function logRowsWith(stores: Stores, workshop: Workshop, words: string): Promise<number> {
  const sought = words.trim().toLowerCase();
  return (await namedLog(stores, workshop)).filter((row) => wordsOf(row).includes(sought)).length;
}

const wordsOf = (row: StoredLogRow) => `${labelOf(row)} on ${row.unit}, ${row.part} ${row.note}`.toLowerCase();

/** The painter's word is asked for: nobody knows its minutes, or it took much longer than usual. */
const isToJudge = (row: StoredLogRow, odd: Workshop['odd']): boolean =>
  row.verdict === 'unsure' && row.correctedMinutes === null && (odd.has(row.id) || row.open !== null);

/** A page of rows, given by their places in the log, the newest first. */
function pageOf(log: readonly StoredLogRow[], { odd }: Workshop, places: Iterable<number>, page: number): LogPage {
  const all = [...places];
  const end = all.length - page * ROWS_ON_A_PAGE;
  const rows = all
    .slice(Math.max(0, end - ROWS_ON_A_PAGE), Math.max(0, end))
    .reverse()
    .map((place) => ({ ...log[place]!, odd: odd.get(log[place]!.id) ?? null }));
  return { rows, page, pages: Math.max(1, Math.ceil(all.length / ROWS_ON_A_PAGE)) };
}

function techniquePaces(rows: readonly StoredLogRow[]): TechniquePace[] {
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

function commissionSums(rows: readonly StoredLogRow[]): Map<string, CommissionSum> {
  const sums = new Map<string, CommissionSum>();
  for (const row of rows) {
    if (row.commissionId === null) continue;
    const sum = sums.get(row.commissionId) ?? { minutes: 0, models: 0 };
    sum.minutes += minutesThatCount(row) ?? 0;
    sum.models += row.models;
    sums.set(row.commissionId, sum);
  }
  return sums;
}

async function closedCommissions(stores: Pick<Stores, 'commissions'>, sums: LogSummary['sums']): Promise<ClosedCommission[]> {
  return (await stores.commissions.listClosed()).map(({ id, name, client, closedAt }) => ({
    id,
    name,
    client,
    closedAt: closedAt!,
    ...(sums.get(id) ?? { minutes: 0, models: 0 }),
  }));
}

/** The log as a file: commissions and units as the Ledger calls them, with what they were called then beside it. */
export async function exportTimeLog(stores: Pick<Stores, 'timeLog' | 'commissions'>): Promise<string> {
  const rows = await stores.timeLog.list();
  const named = await withTodaysNames(stores, rows);
  return writeTimeLog(named.map((row, index) => ({ ...row, commissionThen: rows[index]!.commission, unitThen: rows[index]!.unit })));
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
