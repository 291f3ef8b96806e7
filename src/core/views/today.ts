import type { DateOutlook } from '../time/forecast';
import type { CommissionEstimate } from './estimate';
import type { StoredCommission } from './stored';

/** Something of one pass that is not dry yet. */
export interface DryingRow {
  unitName: string;
  what: string;
  paintId: string | null;
  models: number;
  /** When the first and the last of them are dry, UTC ms. */
  firstDryAt: number;
  lastDryAt: number;
}

export interface TodayCommission {
  commission: StoredCommission;
  models: number;
  units: number;
  estimate: Omit<CommissionEstimate, 'passes'>;
  outlook: DateOutlook;
  openCounts: string[];
  waitingTestModels: string[];
  unitsWithoutScheme: string[];
  drying: DryingRow[];
  hasOpenRun: boolean;
  lastWorkedAt: number | null;
}

export interface Today {
  commissions: TodayCommission[];
  /** The next sessions at the bench, UTC ms. */
  sessions: { from: number; to: number }[];
}
