import { createHash } from 'node:crypto';
import { compileLine } from '../../core/line/problem/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { solveLine } from '../../core/line/search/solveLine';
import { memoKey, type Memory } from '../running/Memory';
import { solveInThread } from '../work/threads';

const SEED = 1;
/** Enough steps to leave the worst of a construction behind in a few tens of milliseconds. */
const STEPS = 400;
/** Longer lines take longer than a thread takes to begin; meanwhile the server answers others. */
const MOST_JOBS_IN_PROCESS = 300;
/** So do more steps on fewer jobs; below that nobody waits for more than about half a second. */
const MOST_WORK_IN_PROCESS = 500_000;
/** Still longer ones are content with the first construction: everything waits for this. */
const MOST_JOBS_SEARCHED = 1000;
const QUICK = memoKey<Promise<string[]>>('good orders, by the jobs they are of');

/**
 * A good order (job ids), for forecasts that need no better one. Worked out once for the same jobs of what `memory` is of; `asPlanned` gives it with the
 * sessions and dates that it is to be searched with.
 */
export function quickOrder(
  memory: Memory,
  problem: LineProblem,
  asPlanned: () => Promise<LineProblem> = () => Promise.resolve(problem),
): Promise<string[]> {
  const jobs = createHash('sha256');
  for (const { id } of problem.jobs) jobs.update(`${id} `);
  return memory.once(QUICK, () => asPlanned().then((planned) => searchOrder(planned, STEPS)), jobs.digest('base64'));
}

/** What so many steps find (job ids); the same for the same problem. */
export async function searchOrder(problem: LineProblem, steps: number): Promise<string[]> {
  const line = compileLine(problem);
  const isHeavy = line.jobCount > MOST_JOBS_IN_PROCESS || line.jobCount * steps > MOST_WORK_IN_PROCESS;
  const { order } = isHeavy
    ? await solveInThread({
        problem,
        seed: SEED,
        steps,
        milliseconds: null,
        isQuick: line.jobCount > MOST_JOBS_SEARCHED,
        seeksProof: false,
      })
    : solveLine(line, { seed: SEED, steps, seeksProof: false });
  return Array.from(order, (job) => problem.jobs[job]!.id);
}
