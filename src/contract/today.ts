import type { WeeklySession } from '../core/scheme/model/houseRules';
import type { ShortPaint } from '../core/paint/shortPaints';
import type { Undone } from '../core/commission/undone';
import type { Progress } from '../core/finish/progress';
import type { DateOutlook } from '../core/plan/dates/forecast';
import type { ClockCorrection } from '../core/bench/clockCorrection';
import type { CommissionEstimate } from '../core/commission/estimate';
import type { StoredCommission } from '../core/commission/definitions';

/** Something of one pass that is not dry yet. */
export interface DryingRow {
  unitName: string;
  what: string;
  models: number;
  /** When the last of them is dry, UTC ms. */
  lastDryAt: number;
}

export interface TodayCommission {
  commission: StoredCommission;
  models: number;
  units: number;
  estimate: Omit<CommissionEstimate, 'passes' | 'units'>;
  outlook: DateOutlook;
  /** The last day on which its parcel can go. */
  leavesBy: string;
  openCounts: string[];
  /** What stands between it and its hand-over, but for steps that are simply left. */
  undone: Undone[];
  waitingTestModels: string[];
  unitsWithoutScheme: string[];
  drying: DryingRow[];
  /** Its units are on the line on the bench. */
  isOnBench: boolean;
  /** Something of it can be painted: not all is done, or waits for others. */
  canBePainted: boolean;
}

/** A job of tonight's session as planned. */
export interface TonightJob {
  what: string;
  unitName: string;
  commissionName: string;
  models: number;
  paintId: string | null;
  /** UTC ms. */
  from: number;
  to: number;
}

/** What was done when the painter sat there last. */
export interface LastSession {
  /** UTC ms. */
  from: number;
  to: number;
  /** Hands-on, as far as it is known. */
  minutes: number;
  modelSteps: number;
  units: string[];
  /** What to look at first, and where; null when nothing asks for it. */
  lookFirst: { what: string; href: string } | null;
}

export interface Today {
  /** UTC ms. */
  now: number;
  /** Taps that were moved, while nobody knows for sure that they had to be. */
  corrections: ClockCorrection[];
  commissions: TodayCommission[];
  /** The usual sessions, while nobody has said that they are right; null afterwards. */
  askedSessions: WeeklySession[] | null;
  /** The next sessions at the bench, UTC ms. */
  sessions: { from: number; to: number }[];
  /** The session going on or coming next, job by job; null when nothing can be painted or no sessions are set. */
  tonight: { from: number; to: number; jobs: TonightJob[] } | null;
  /** Colours of the paints in it. */
  paints: { id: string; name: string; hex: string }[];
  /** The line on the bench has work that can be taken up. */
  bench: { names: string[]; lastWorkedAt: number | null; painted: number } | null;
  /** The last session at the bench; null before the first, and while it goes on. */
  lastSession: LastSession | null;
  /** What became ready, since midnight and in the last seven days, with a picture of the units where there is one. */
  progress: { today: Progress; week: Progress; pictures: Record<string, string> };
  /** Work whose minutes nobody knows yet. */
  openRows: number;
  closed: number;
  /** Pots that do not hold what open work takes of them. */
  shortPaints: ShortPaint[];
  /** All that is here is the demo. */
  isDemo: boolean;
}
