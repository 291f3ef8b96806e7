import { buildLine, type BuiltLine } from './buildLine';
import type { Roster } from './roster';
import type { JobInfo } from './lineJobs';
import { approved, modelsOf } from '../../scheme/model/definitions';

/**
 * What one drying asks of the size of a tray when the next pass over the same place follows at once: so many models that
 * the first one is dry when the last one is painted.
 */
export interface DryingNeed {
  job: JobInfo;
  next: JobInfo;
  dryMinutes: number;
  /** Between the two setups. */
  changeoverMinutes: number;
  /** Of an ordinary model, in the faster of the two passes. */
  minutesPerModel: number;
  /** The smallest tray without waiting; null when the whole tray must be dry first, which no size can help. */
  models: number | null;
}

const NOTHING: ReadonlySet<number> = new Set();

/**
 * The dryings of a whole unit that its next pass waits for, those that ask most first, those that no tray can help last.
 * Passes on some of its models only are left out: how many they touch does not change with the tray.
 */
export function dryingNeeds(roster: Roster, unitId: string): DryingNeed[] {
  const unit = roster.units.find((each) => each.id === unitId)!;
  const models = modelsOf(unit);
  const units = [approved({ ...unit, trayLimit: models })];
  const built = buildLine({ ...roster, units, doneModels: () => NOTHING });
  const jobs = new Map(built.jobs.map((job) => [job.id, job]));
  const isForAll = (id: string) => jobs.get(id)!.models.length === models;
  return built.problem.jobs
    .filter((next) => isForAll(next.id))
    .flatMap((next) =>
      next.after
        .filter(({ job }) => isForAll(job))
        .map(({ job, scope, lagMinutes }) =>
          needOf(built, jobs.get(job)!, jobs.get(next.id)!, lagMinutes ?? jobs.get(job)!.dryMinutes, scope === 'tray'),
        ),
    )
    .filter((need) => need.dryMinutes > need.changeoverMinutes)
    .sort((a, b) => (b.models ?? 0) - (a.models ?? 0) || b.dryMinutes - a.dryMinutes);
}

function needOf({ problem, setups }: BuiltLine, job: JobInfo, next: JobInfo, dryMinutes: number, isWholeTray: boolean): DryingNeed {
  const at = (id: string) => setups.findIndex((setup) => setup.id === id);
  const changeoverMinutes = problem.changeover[at(job.setupId)]![at(next.setupId)]!;
  const minutesPerModel = Math.min(...job.minutes, ...next.minutes);
  return {
    job,
    next,
    dryMinutes,
    changeoverMinutes,
    minutesPerModel,
    models: isWholeTray ? null : smallestTray(dryMinutes - changeoverMinutes, minutesPerModel),
  };
}

/** (drying - set-up) / minutes per model + 1, in whole models. */
const smallestTray = (minutes: number, minutesPerModel: number): number => Math.ceil(minutes / minutesPerModel - 1e-9) + 1;
