import { groupBy } from '../../kernel/groupBy';
import type { Moment } from '../../scheme/model/moments';
import type { BenchJob, BenchLine } from './benchLine';
import type { BenchReadiness } from './readiness';

/** All that is left of one stage of a unit, in the order of the line. */
export interface OpenStage {
  unitId: string;
  moment: Moment;
  jobs: { job: BenchJob; models: number[] }[];
}

/** The stages of units that have more than one job left: what is told of in one entry. */
export function openStages(line: Pick<BenchLine, 'jobs' | 'passes'>, readiness: Pick<BenchReadiness, 'openModels'>): OpenStage[] {
  const moments = new Map(line.passes.map(({ key, moment }) => [key, moment]));
  const open = line.jobs
    .map((job) => ({ job, models: readiness.openModels(job), moment: moments.get(job.passKey)! }))
    .filter(({ models }) => models.length > 0);
  return [...groupBy(open, ({ job, moment }) => `${job.unitId} ${moment}`).values()]
    .filter((jobs) => jobs.length > 1)
    .map((jobs) => ({
      unitId: jobs[0]!.job.unitId,
      moment: jobs[0]!.moment,
      jobs: jobs.map(({ job, models }) => ({ job, models })),
    }));
}

/** Minutes that were told of a whole, for each piece by what is planned for it; 0 for each where nobody knows them. */
export function shareOut(minutes: number | null, planned: readonly number[]): number[] {
  const whole = planned.reduce((sum, each) => sum + each, 0);
  return planned.map((each) => (minutes === null ? 0 : whole === 0 ? minutes / planned.length : (minutes * each) / whole));
}
