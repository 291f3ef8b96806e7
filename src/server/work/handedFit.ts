import { createHash } from 'node:crypto';
import { FIT_FIELDS } from '../../core/time/fit/observations';
import { PRIOR_SPREADS, type Spreads } from '../../core/time/fit/spreads';
import type { StoredLogRow } from '../../core/log/definitions';
import type { FittedLog, Fitter } from './fitter';
import { SlicedFitter } from './SlicedFitter';

/** What a log came to, and which log that was: another thread that reads the same need not fit it again, and shows the same figures. */
export interface HandedFit extends FittedLog {
  hour: Date;
  /** Of all that the fit reads. */
  fingerprint: string;
}

/** The same for the same rows, in whichever order. */
export function fingerprintOf(log: Iterable<StoredLogRow>): string {
  const hash = createHash('sha1');
  for (const line of Array.from(log, lineOf).sort()) hash.update(line);
  return hash.digest('base64');
}

const lineOf = (row: StoredLogRow): string => `${JSON.stringify([row.id, ...FIT_FIELDS.map((field) => row[field])])}\n`;

let latest: HandedFit | null = null;

/** The last fit of the running program, for the threads that it begins. */
export const latestFit = (): HandedFit | null => latest;
export const keepLatestFit = (fit: HandedFit | null): void => void (latest = fit);

/** Goes by a fit that was handed over where the log is the very same, else it fits. */
export class HandedFitter implements Fitter {
  private readonly otherwise = new SlicedFitter();

  constructor(private readonly handed: HandedFit) {}

  async fit(log: readonly StoredLogRow[], hour: Date, spreads: Spreads = PRIOR_SPREADS): Promise<FittedLog> {
    const { handed } = this;
    const isSame =
      handed.hour.getTime() === hour.getTime() &&
      JSON.stringify(handed.fitted.spreads) === JSON.stringify(spreads) &&
      handed.fingerprint === fingerprintOf(log);
    return isSame ? handed : this.otherwise.fit(log, hour, spreads);
  }
}
