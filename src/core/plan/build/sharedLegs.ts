import type { LineLeg } from '../../line/definitions';
import type { BuiltLine } from './buildLine';
import type { SetupInfo } from '../../scheme/passes/setups';

/** One setup carried across several units without a change. */
export interface SharedLeg {
  setup: SetupInfo;
  unitNames: string[];
  models: number;
  /** Changeover minutes that opening the setup once, and not once for each unit, saves at the least. */
  savedMinutes: number;
}

/** The legs of a plan that join units, those that save most first. */
export function sharedLegs(line: Pick<BuiltLine, 'jobs' | 'setups' | 'problem'>, legs: readonly LineLeg[]): SharedLeg[] {
  const jobs = new Map(line.jobs.map((job) => [job.id, job]));
  return legs
    .map((leg) => {
      const legJobs = leg.jobs.map((id) => jobs.get(id)!);
      const unitNames = [...new Set(legJobs.map((job) => job.unitName))];
      return {
        setup: line.setups.find((setup) => setup.id === leg.setup)!,
        unitNames,
        models: legJobs.reduce((sum, job) => sum + job.models.length, 0),
        savedMinutes: (unitNames.length - 1) * cheapestOpening(line, leg.setup),
      };
    })
    .filter((leg) => leg.unitNames.length > 1)
    .sort((a, b) => b.savedMinutes - a.savedMinutes);
}

/** The least it can cost to take a setup up from another one. */
function cheapestOpening({ problem }: Pick<BuiltLine, 'problem'>, setup: string): number {
  const to = problem.setups.findIndex((entry) => entry.id === setup);
  const others = problem.changeover.map((row) => row[to]!).filter((_, from) => from !== to);
  return Math.min(problem.start[to]!, ...others);
}
