import type { HouseRules } from '../core/scheme/model/houseRules';
import type { TimeModel } from '../core/time/definitions';
import type { SetupEstimates } from '../core/time/learn/setupTimes';

/** What the House rules view is drawn from. */
export interface HousePicture {
  rules: HouseRules;
  /** Saving is refused when it has moved on. */
  revision: number;
  /** What changes of setup take, as logged. */
  setups: SetupEstimates;
  leaders: TimeModel['leaders'];
}
