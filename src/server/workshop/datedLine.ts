import { lineDates } from '../../core/calendar/lineDates';
import { lineSessions, type LineSessions } from '../../core/calendar/lineSessions';
import { lineFormatOf, type LineProblem } from '../../core/line/definitions';
import type { BuiltLine } from '../../core/scheme/buildLine';
import type { Workshop } from './loadWorkshop';

/** A line laid into the painter's coming sessions, with the dates of its commissions; null when House rules have no sessions. */
export function datedLine(workshop: Workshop, built: BuiltLine, now: Date): { problem: LineProblem; sessions: LineSessions } | null {
  const sessions = built.jobs.length === 0 ? null : lineSessions(built.problem, workshop.house.sessions, now.getTime());
  if (!sessions) return null;
  const due = lineDates(built.jobs, workshop.commissions, sessions.origin);
  const dated = { ...built.problem, sessions: sessions.sessions, due };
  return { problem: { ...dated, format: lineFormatOf(dated) }, sessions };
}
