import type { Quote, QuoteTerms, Rate, UnitWork } from '../core/money/definitions';
import type { HoursStanding, Pay } from '../core/money/payOf';
import type { QuoteComparison } from '../core/money/compareQuote';
import type { PaintCost } from '../core/paint/paintCost';
import type { Standard } from '../core/scheme/model/definitions';
import type { ScopeChange } from '../core/commission/scope';
import type { StoredCommission } from '../core/commission/definitions';

/** What the Money view is drawn from. Prices are worked out in the view as terms are typed, by the same function as on the server. */
export interface MoneyPicture {
  commission: StoredCommission;
  rate: Rate;
  terms: QuoteTerms;
  /** Of the terms. */
  revision: number;
  /** Units whose count is another than was agreed, and that nobody has settled: all prices and hours are of the models counted. */
  openCounts: { name: string; counted: number; expected: number }[];
  /** Work of each unit at the standard paid for, painted from the start. */
  units: UnitWork[];
  /** All units together at each standard, lowest first. */
  standards: { standard: Standard; all: UnitWork }[];
  quotes: Quote[];
  /** Address that was written to last. */
  lastTo: string;
  changes: ScopeChange[];
  hours: HoursStanding;
  /** What is not done, in words; of a commission that was handed over what was not done then. */
  undone: string[];
  /** Stretches logged since the last quote was written, of any commission, and how much more they took than foretold; null without a quote. */
  since: { stretches: number; more: number } | null;
  /** What its paint costs by amounts and prices of pots; null where those are in another currency. */
  paint: PaintCost | null;
  /** Null while no quote was accepted. */
  agreed: { pay: Pay; comparison: QuoteComparison } | null;
}

/** What more (or fewer) models of a unit would make of the work. */
export interface MoreModels {
  unitId: string;
  models: number;
  units: UnitWork[];
}
