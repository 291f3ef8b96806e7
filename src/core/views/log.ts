import type { BadCell } from '../formats/timeLog';
import type { Technique } from '../scheme/definitions';
import type { LogRow } from '../time/definitions';
import type { StoredLogRow } from './stored';

export interface LogPicture {
  /** Newest first. */
  rows: (StoredLogRow & { interrupted: boolean })[];
  totals: { rows: number; minutes: number; models: number; looksInterrupted: number };
  techniques: TechniquePace[];
}

/** What a technique really takes against the norm we ship. */
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
  bad: BadCell[];
  sample: LogRow[];
  taken: boolean;
}
