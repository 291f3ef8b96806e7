import { compileLine } from '../../core/line/problem/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { solveLine } from '../../core/line/search/solveLine';
import { solveInThread } from '../threads/threads';

const SEED = 1;
/** Enough steps to leave the worst of a construction behind in a few tens of milliseconds. */
const STEPS = 400;
/** Longer lines take longer than a thread takes to begin; meanwhile the server answers others. */
const MOST_JOBS_IN_PROCESS = 300;
/** Still longer ones are content with the first construction: everything waits for this. */
const MOST_JOBS_SEARCHED = 1000;
const kept = new WeakMap<LineProblem, Promise<string[]>>();

/**
 * A good order (job ids), for forecasts that need no better one. Worked out once for a problem; `asPlanned` gives it with the
 * sessions and dates that it is to be searched with.
 */
export function quickOrder(
  problem: LineProblem,
  asPlanned: () => Promise<LineProblem> = () => Promise.resolve(problem),
): Promise<string[]> {
  const known = kept.get(problem);
  if (known) return known;
  const order = asPlanned().then(orderOf);
  kept.set(problem, order);
  order.catch(() => kept.delete(problem));
  return order;
}

async function orderOf(problem: LineProblem): Promise<string[]> {
  const line = compileLine(problem);
  const { order } =
    line.jobCount > MOST_JOBS_IN_PROCESS
      ? await solveInThread({ problem, seed: SEED, steps: STEPS, milliseconds: null, isQuick: line.jobCount > MOST_JOBS_SEARCHED })
      : solveLine(line, { seed: SEED, steps: STEPS });
  return Array.from(order, (job) => problem.jobs[job]!.id);
}
