import type { CompiledLine } from '../problem/compiledLine';

export interface ExactAttempt {
  /** Moves of a search that come before it. */
  afterSteps: number;
  /** Begun orders kept at every length. */
  width: number;
}

/** For a line of up to twenty jobs. Longer lines take longer for each begun order, so they keep fewer, later. */
const ATTEMPTS: readonly ExactAttempt[] = [
  { afterSteps: 1_500, width: 300 },
  { afterSteps: 10_000, width: 3_000 },
  { afterSteps: 100_000, width: 30_000 },
];
const JOBS_FOR_FULL_WIDTH = 20;
/** Longer lines are never exhausted, and their bound hardly gains. */
const MOST_JOBS = 60;
/** With dates that are rivals there are more ways for a begun order to become the best. */
const MOST_JOBS_WITH_RIVALS = 40;

/** The tries of the exact search that a line is worth, each wider than the one before it; none for a long line. */
export function exactAttempts(line: CompiledLine): readonly ExactAttempt[] {
  const hasRivals = line.due.jobs.some((jobs) => jobs.length < line.jobCount);
  if (line.jobCount > (hasRivals ? MOST_JOBS_WITH_RIVALS : MOST_JOBS)) return [];
  const share = Math.max(1, line.jobCount / JOBS_FOR_FULL_WIDTH) ** 2;
  return ATTEMPTS.map(({ afterSteps, width }) => ({ afterSteps: Math.round(afterSteps * share), width: Math.round(width / share) }));
}
