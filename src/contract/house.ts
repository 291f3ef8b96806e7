import type { HouseRules } from '../core/scheme/model/houseRules';
import type { TimeModel } from '../core/time/definitions';
import type { StrayEstimates } from '../core/time/learn/strayFactors';
import type { SetupEstimates } from '../core/time/learn/setupTimes';

/** What the House rules view is drawn from. */
export interface HousePicture {
  rules: HouseRules;
  /** Saving is refused when it has moved on. */
  revision: number;
  /** What changes of setup take, as logged. */
  setups: SetupEstimates;
  /** How far each technique strays, as the touch-ups logged say. */
  strays: StrayEstimates;
  leaders: TimeModel['leaders'];
}
