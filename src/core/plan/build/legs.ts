import { groupBy } from '../../kernel/groupBy';
import type { Moment } from '../../scheme/model/moments';
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
  /** The moment that most of its work is of. */
  stage: Moment;
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
      stage: stageOf(legJobs),
      minutes: handsOn + lost,
    };
  });
}

function stageOf(jobs: readonly JobInfo[]): Moment {
  const minutes = [...groupBy(jobs, ({ moment }) => moment)].map(([moment, of]) => ({
    moment,
    sum: of.reduce((sum, job) => sum + jobMinutes(job), 0),
  }));
  return minutes.reduce((most, each) => (each.sum > most.sum ? each : most)).moment;
}

/** Legs of one stage, one after another. */
export interface Stage<L> {
  stage: Moment;
  legs: L[];
}

/** Legs in their order, by stage; a stage that is gone back to stands twice. */
export function stagesOf<L extends Pick<Leg, 'stage'>>(legs: readonly L[]): Stage<L>[] {
  const stages: Stage<L>[] = [];
  for (const leg of legs) {
    const last = stages.at(-1);
    if (last?.stage === leg.stage) last.legs.push(leg);
    else stages.push({ stage: leg.stage, legs: [leg] });
  }
  return stages;
}
