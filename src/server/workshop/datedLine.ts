import { lineDates } from '../../core/plan/dates/lineDates';
import { lineSessions, type LineSessions } from '../../core/plan/dates/lineSessions';
import { lineFormatOf, type LineProblem } from '../../core/line/definitions';
import type { BuiltLine } from '../../core/plan/build/buildLine';
import { passDraws } from './passDraws';
import { commissionDates } from './commissionDates';
import type { Workshop } from './loadWorkshop';

/** A line laid into the painter's coming sessions, with the dates of its commissions. */
export interface DatedLine {
  problem: LineProblem;
  sessions: LineSessions;
}

/** Null when House rules have no sessions, or nothing is left to paint. */
export async function datedLine(workshop: Workshop, built: BuiltLine, now: Date): Promise<DatedLine | null> {
  const sessions = built.jobs.length === 0 ? null : lineSessions(built.problem, workshop.house, now.getTime());
  if (!sessions) return null;
  const due = lineDates(built.jobs, commissionDates(workshop), sessions, (await passDraws(workshop)).safeRatio);
  const dated = { ...built.problem, sessions: sessions.sessions, due };
  return { problem: { ...dated, format: lineFormatOf(dated) }, sessions };
}
