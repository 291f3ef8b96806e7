import type { Paint } from '../scheme/definitions';
import type { CommissionEstimate } from './estimate';
import type { StoredEvent, StoredRun } from './stored';

/** What the Bench view is drawn from. */
export interface BenchPicture {
  commissionName: string;
  run: StoredRun;
  events: StoredEvent[];
  paints: Paint[];
  estimate: CommissionEstimate;
}
