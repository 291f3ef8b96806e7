import type { LinePlan } from '../../line/definitions';
import type { BuiltLine } from './buildLine';
import { jobMinutes, type JobInfo } from './lineJobs';
import type { SetupInfo } from '../../scheme/passes/setups';

/** One setup carried across trays without a change, in the painter's terms. */
export interface Leg {
  setup: SetupInfo;
  jobs: JobInfo[];
  /** Place of its first job in the plan. */
  first: number;
  /** Minutes at the bench: work, getting ready and waiting; a night in between does not count. */
  minutes: number;
}

/** The legs of a plan of this line, in their order. */
export function legsOf(line: Pick<BuiltLine, 'jobs' | 'setups'>, plan: Pick<LinePlan, 'legs' | 'jobs'>): Leg[] {
  const jobs = new Map(line.jobs.map((job) => [job.id, job]));
  const setups = new Map(line.setups.map((setup) => [setup.id, setup]));
  let first = 0;
  return plan.legs.map((leg) => {
    const timed = plan.jobs.slice(first, first + leg.jobs.length);
    const legJobs = leg.jobs.map((id) => jobs.get(id)!);
    const handsOn = legJobs.reduce((sum, job) => sum + jobMinutes(job), 0);
    const lost = timed.reduce((sum, { prep, wait }) => sum + prep + wait, 0);
    first += leg.jobs.length;
    return {
      setup: setups.get(leg.setup)!,
      jobs: legJobs,
      first: first - leg.jobs.length,
      minutes: handsOn + lost,
    };
  });
}
