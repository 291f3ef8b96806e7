import type { DateOutlook } from '../core/plan/dates/forecast';
import type { BackPlan, StandardTotals } from '../core/commission/backPlan';
import type { Reconciliation } from '../core/commission/reconcile';
import type { Standard } from '../core/scheme/model/definitions';
import type { TestModelPicture } from './testModelPicture';
import type { Undone } from '../core/commission/undone';
import type { ScopeChange } from '../core/commission/scope';

/** What one unit would take at one standard, painted from the start. */
export interface UnitAtStandard {
  unitId: string;
  standard: Standard;
  handsOn: number;
  likely: number;
}

/** What Intake works out beside the page, anew after every change. */
export interface IntakeFigures {
  reconciliation: Reconciliation[];
  /** Lowest first. */
  totals: StandardTotals[];
  units: UnitAtStandard[];
  /** What a quote would ask at each standard under the terms of the commission, which hold with a chance. */
  prices: { standard: Standard; totalMinor: number }[];
  /** What the client pays as things stand; null while nothing is agreed. */
  agreedMinor: number | null;
  chance: number;
  /** Null while nothing of it is planned. */
  backPlan: BackPlan | null;
  /** When it is done as the bench stands. */
  outlook: DateOutlook;
  /** The last day on which the parcel can go. */
  leavesBy: string;
  /** Days that varnish has to cure before the models travel. */
  cureDays: number;
  testModels: TestModelPicture[];
  scope: ScopeChange[];
  agreedAt: string | null;
  /** What is not done yet, before it is handed over. */
  undone: Undone[];
}
