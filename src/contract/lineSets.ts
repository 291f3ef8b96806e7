import type { Selection } from '../core/plan/selection';
import type { LineSessions } from '../core/plan/dates/lineSessions';
import type { SetPrice } from '../core/plan/choices/lineSets';

/** What units on the line, or off it, bring; the minutes of dates are those of the sessions. */
export interface LineSetsPicture {
  /** Commissions that have units on the line, and the names of all open ones. */
  onLine: string[];
  names: [commissionId: string, name: string][];
  sessions: LineSessions;
  /** Each open unit with work left: what it brings to put it on the line, or to take it off. */
  singly: [unitId: string, price: SetPrice][];
  /** The same for whole commissions. */
  byCommission: [commissionId: string, price: SetPrice][];
  suggestions: (SetPrice & { obstacles: string[] })[];
}

/** Of which units; null for those that lie on the bench. `about`: one commission alone, null for all. */
export interface SetsQuestion {
  selection: Selection | null;
  about: string | null;
}
