import type { LineWish, TimedJob } from '../../line/definitions';
import type { HouseRules } from '../../scheme/model/houseRules';
import { type JobInfo, type TrayInfo, jobMinutes } from './lineJobs';

/** A model beyond what the painter wants of the same in a row counts so many minutes. */
const MINUTES_BEYOND = 0.5;

/** The cap of House rules on identical models in a row, as a wish; none where there is no cap, or only one unit to go on with. */
export function staminaWish(trays: readonly TrayInfo[], { mostInARow }: Pick<HouseRules, 'mostInARow'>): LineWish[] {
  const units = [...new Set(trays.map(({ unitId }) => unitId))];
  if (mostInARow === 0 || units.length < 2) return [];
  const groups = units.map((unit) => trays.filter(({ unitId }) => unitId === unit).map(({ id }) => id));
  return [{ kind: 'variety', groups, mostModels: mostInARow, minutes: MINUTES_BEYOND }];
}

/** The longest an order stays with one thing. */
export interface LongestRuns {
  /** Models of one unit, job after job, each counted for every job. */
  identical: { unitName: string; models: number; minutes: number };
  /** One job. */
  job: { info: JobInfo; minutes: number };
}

/** Jobs in their order; there must be one. */
export function longestRuns(jobs: readonly JobInfo[]): LongestRuns {
  let run = { unitId: '', unitName: '', models: 0, minutes: 0 };
  let identical = run;
  let job = { info: jobs[0]!, minutes: 0 };
  for (const info of jobs) {
    const minutes = jobMinutes(info);
    if (run.unitId !== info.unitId) run = { unitId: info.unitId, unitName: info.unitName, models: 0, minutes: 0 };
    run = { ...run, models: run.models + info.models.length, minutes: run.minutes + minutes };
    if (run.minutes > identical.minutes) identical = run;
    if (minutes > job.minutes) job = { info, minutes };
  }
  return { identical: { unitName: identical.unitName, models: identical.models, minutes: identical.minutes }, job };
}

/** What a session brings to the table. */
export interface EveningsWork {
  /** Place of the session. */
  session: number;
  /** Models that are finished in it, by unit, and whether that was the last of the unit. */
  ready: { unitName: string; models: number; isWhole: boolean }[];
  /** Share of all steps on the line that are done when it ends, 0 to 1. */
  doneShare: number;
}

/** Session by session, what becomes ready; `sessionOf` tells the session that a minute falls into. */
export function eveningsOf(jobs: readonly JobInfo[], timed: readonly TimedJob[], sessionOf: (minute: number) => number): EveningsWork[] {
  const infos = new Map(jobs.map((job) => [job.id, job]));
  const readyIn = new Map<string, Map<number, number>>();
  const stepsIn = new Map<number, number>();
  const names = new Map(jobs.map(({ unitId, unitName }) => [unitId, unitName]));
  for (const { id, end } of timed) {
    const { unitId, models } = infos.get(id)!;
    const session = sessionOf(end);
    const ofUnit = readyIn.get(unitId) ?? new Map<number, number>();
    // Jobs come in the order of their ends: the last one to touch a model says when it is ready.
    for (const model of models) ofUnit.set(model, session);
    readyIn.set(unitId, ofUnit);
    stepsIn.set(session, (stepsIn.get(session) ?? 0) + models.length);
  }
  const all = [...stepsIn.values()].reduce((sum, steps) => sum + steps, 0);
  let done = 0;
  return [...stepsIn.keys()]
    .sort((a, b) => a - b)
    .map((session) => {
      done += stepsIn.get(session)!;
      const ready = [...readyIn].flatMap(([unitId, models]) => {
        const sessions = [...models.values()];
        const count = sessions.filter((each) => each === session).length;
        return count === 0 ? [] : [{ unitName: names.get(unitId)!, models: count, isWhole: sessions.every((each) => each <= session) }];
      });
      return { session, ready, doneShare: done / all };
    });
}
