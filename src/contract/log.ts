import type { BadCell } from '../core/formats/timeLog/readTimeLog';
import type { Technique } from '../core/scheme/model/techniques';
import { type LogRow, type Oddity, type StoredLogRow } from '../core/log/definitions';

export const LOG_FILTERS = ['all', 'to judge'] as const;
/** All rows, or those whose minutes are open, look odd, or were judged. */
export type LogFilter = (typeof LOG_FILTERS)[number];

/** What the rows can be sorted by. */
export const LOG_COLUMNS = ['started', 'step', 'models', 'minutes', 'model'] as const;
export type LogColumn = (typeof LOG_COLUMNS)[number];

export type ShownRow = StoredLogRow & { odd: Oddity | null };

/** One page of the log, newest first. */
export interface LogPage {
  rows: ShownRow[];
  /** From 0. */
  page: number;
  pages: number;
}

/** A commission that was handed over. */
export interface ClosedCommission {
  id: string;
  name: string;
  client: string;
  closedAt: string;
  /** Hands-on minutes of its rows that count. */
  minutes: number;
  models: number;
}

/** Which rows of the log are shown. */
export interface LogSearch {
  filter: LogFilter;
  /** A commission by name; null for all. */
  commission: string | null;
  /** Words that unit, part, technique or note hold; empty for all. */
  words: string;
  /** Null for the newest first. */
  by: LogColumn | null;
  down: boolean;
}

export interface LogPicture {
  first: LogPage;
  /** Names of the commissions in the log, the latest first. */
  commissions: string[];
  totals: { rows: number; minutes: number; models: number; toJudge: number };
  techniques: TechniquePace[];
  closed: ClosedCommission[];
}

/** What a technique really takes against our default. */
export interface TechniquePace {
  technique: Technique;
  label: string;
  models: number;
  /** Actual over norm minutes of all rows that count, 1 = the norm. */
  ratio: number;
}

export interface TimeLogImport {
  /** Rows that can be taken, without those that are in the log already. */
  newRows: number;
  knownRows: number;
  /** The first values that cannot be read, and how many there are in all. */
  bad: BadCell[];
  badCount: number;
  sample: LogRow[];
  taken: boolean;
}
