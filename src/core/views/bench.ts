import type { WetModel } from '../bench/benchView';
import type { Paint } from '../scheme/definitions';
import type { CommissionEstimate } from './estimate';
import type { StoredEvent, StoredRun } from './stored';

/** What the Bench view is drawn from. */
export interface BenchPicture {
  commissionName: string;
  run: StoredRun;
  events: StoredEvent[];
  paints: Paint[];
  /** What earlier lines of the commission have left wet. */
  stillWet: WetModel[];
  estimate: CommissionEstimate;
}
