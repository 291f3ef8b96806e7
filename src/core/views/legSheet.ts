import type { LineSessions } from '../calendar/lineSessions';
import type { LineTotals } from '../line/definitions';
import type { TrayInfo } from '../scheme/lineJobs';
import type { Leg } from '../scheme/legs';
import type { Commission } from '../scheme/definitions';

/** A job of a leg as it stands on the sheet, with the minute of the plan at which it begins. */
export interface LegSheetJob {
  begin: number;
  /** The session it is begun in, from 0; always 0 in one sitting. */
  session: number;
}

/** Everything that is printed on a leg sheet. */
export interface LegSheet {
  /** Whose units are on it, by date. */
  commissions: Pick<Commission, 'name' | 'client' | 'dueOn'>[];
  totals: LineTotals;
  /** Null when it is planned in one sitting. */
  sessions: LineSessions | null;
  trays: TrayInfo[];
  legs: (Omit<Leg, 'first'> & { timed: LegSheetJob[] })[];
}
