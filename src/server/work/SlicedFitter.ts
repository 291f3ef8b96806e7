import { RunningFit } from '../../core/time/fit/RunningFit';
import type { Spreads } from '../../core/time/fit/spreads';
import type { StoredLogRow } from '../../core/log/definitions';
import { inSlices } from '../running/inSlices';
import { fittedLog, GOES_ON_FROM, type FittedLog, type Fitter } from './fitter';

/** Fits right here, and lets others in between. */
export class SlicedFitter implements Fitter {
  private readonly running = new RunningFit<StoredLogRow>(GOES_ON_FROM);

  async fit(log: readonly StoredLogRow[], hour: Date, spreads: Spreads | undefined): Promise<FittedLog> {
    return fittedLog(await inSlices(this.running.fit(log, hour, spreads)));
  }
}
