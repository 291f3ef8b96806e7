import type { Selection } from '../core/plan/selection';
import type { LineSessions } from '../core/plan/dates/lineSessions';
import type { LineTotals } from '../core/line/definitions';
import type { TrayInfo } from '../core/plan/build/lineJobs';
import type { Leg } from '../core/plan/build/legs';
import type { Commission } from '../core/commission/definitions';

/** A job of a leg as it stands on the sheet, with the minute of the plan at which it begins. */
export interface LegSheetJob {
  begin: number;
  /** The session it is begun in, from 0; always 0 in one session. */
  session: number;
}

/** Everything that is printed on a leg sheet. */
export interface LegSheet {
  /** Whose units are on it, by date. */
  commissions: Pick<Commission, 'name' | 'client' | 'dueOn'>[];
  totals: LineTotals;
  /** Null when it is planned in one session. */
  sessions: LineSessions | null;
  trays: TrayInfo[];
  legs: (Omit<Leg, 'first'> & { timed: LegSheetJob[] })[];
}

/** An order (job ids) over chosen units, to be printed. */
export interface LegSheetQuestion {
  selection: Selection;
  order: string[];
  inSessions: boolean;
}
