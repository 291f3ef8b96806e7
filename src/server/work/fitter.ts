import { type Oddity, type StoredLogRow } from '../../core/log/definitions';
import type { Fitted } from '../../core/time/fit/fitted';
import type { FittedRows } from '../../core/time/fit/RunningFit';
import type { Spreads } from '../../core/time/fit/spreads';

/** A log of so many rows is not fitted afresh for every row more: the fit goes on from the last one, and comes to the same but for rounding. */
export const GOES_ON_FROM = 1500;

/** What the log has come to; odd rows by their ids. */
export interface FittedLog {
  fitted: Fitted;
  odd: ReadonlyMap<string, Oddity>;
}

/** Fits the whole log, with or without what it knows of the last fit: it comes to the same. */
export interface Fitter {
  fit: (log: readonly StoredLogRow[], hour: Date, spreads: Spreads | undefined) => Promise<FittedLog>;
}

export const fittedLog = ({ fitted, odd }: FittedRows<StoredLogRow>): FittedLog => ({
  fitted,
  odd: new Map([...odd].map(([row, oddity]) => [row.id, oddity])),
});
