import { compileLine } from '../../core/line/compileLine';
import type { LineProblem, LineTotals } from '../../core/line/definitions';
import { solveLine } from '../../core/line/solveLine';
import { timeOrder } from '../../core/line/timeOrder';
import { solveInThread } from './solveInThread';

const SEED = 1;
/** Enough steps to leave the worst of a construction behind in a few tens of milliseconds. */
const STEPS = 400;
/** Longer lines take longer than a thread takes to begin; meanwhile the server answers others. */
const MOST_JOBS_IN_PROCESS = 300;
const MOST_KEPT = 24;
const kept = new Map<string, Promise<LineTotals>>();

/** Where the minutes of a good order go, for forecasts that need no order. Kept for problems seen lately. */
export function quickPlan(problem: LineProblem): Promise<LineTotals> {
  const key = JSON.stringify(problem);
  const known = kept.get(key);
  if (known) return known;
  const totals = totalsOf(problem);
  kept.set(key, totals);
  totals.catch(() => kept.delete(key));
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return totals;
}

async function totalsOf(problem: LineProblem): Promise<LineTotals> {
  const line = compileLine(problem);
  const { order } =
    line.jobCount > MOST_JOBS_IN_PROCESS
      ? await solveInThread({ problem, seed: SEED, steps: STEPS, milliseconds: null })
      : solveLine(line, { seed: SEED, steps: STEPS });
  const timed = timeOrder(line, order);
  if ('missingMinutes' in timed) throw new Error('quickPlan: the problem must come without sessions');
  return timed.totals;
}
