import type { CommissionStore } from '../data/commissionStore';
import type { HouseRulesStore } from '../data/houseRulesStore';
import type { OwnLineStore } from '../data/ownLineStore';
import type { PaintStore } from '../data/paintStore';
import type { RunStore } from '../data/runStore';
import type { TimeLogStore } from '../data/timeLogStore';

/** Everything that is kept. Use cases take the ones they need. */
export interface Stores {
  commissions: CommissionStore;
  paints: PaintStore;
  houseRules: HouseRulesStore;
  runs: RunStore;
  timeLog: TimeLogStore;
  ownLines: OwnLineStore;
}
