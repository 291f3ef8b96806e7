import type { Paint } from '../scheme/definitions';
import type { HouseRules } from '../scheme/houseRules';
import type { CommissionEstimate } from './estimate';
import type { StoredCommission, StoredUnit } from './stored';

/** What the Intake view is drawn from. */
export interface IntakePicture {
  commission: StoredCommission;
  units: StoredUnit[];
  estimate: CommissionEstimate;
  /** Ids of units whose models have been worked on: they cannot be dropped without a second thought. */
  startedUnits: string[];
}

/** What the Scheme view is drawn from. */
export interface SchemePicture {
  commission: StoredCommission;
  units: StoredUnit[];
  paints: Paint[];
  house: HouseRules;
  estimate: CommissionEstimate;
}
