import { coveredModels } from './compileLine';
import type { LineAfter, LineJob, LineProblem } from '../definitions';

const singleId = (id: string, model: number) => `${id}/${model}`;

/**
 * The same work with every model on a tray of its own, so that painting one model at a time can be timed on the same
 * numbers. Touch-up of a preference is shared out over the models both jobs cover, fetching a tray over its models.
 */
export function splitIntoSingles(problem: LineProblem): LineProblem {
  const trayModels = new Map(problem.trays.map((tray) => [tray.id, tray.models]));
  const jobs = new Map(problem.jobs.map((job) => [job.id, job]));
  const covered = (job: LineJob) => coveredModels(job, trayModels.get(job.tray)!);
  return {
    ...problem,
    trays: problem.trays.flatMap((tray) =>
      Array.from({ length: tray.models }, (_, index) => ({
        id: singleId(tray.id, index + 1),
        models: 1,
        ...(tray.fetchMinutes && { fetchMinutes: tray.fetchMinutes / tray.models }),
      })),
    ),
    jobs: problem.jobs.flatMap((job) => covered(job).map((model, index) => singleJob(job, model, index, (id) => covered(jobs.get(id)!)))),
    due: problem.due?.map((each) => ({
      ...each,
      jobs: each.jobs.flatMap((id) => covered(jobs.get(id)!).map((model) => singleId(id, model))),
    })),
    prefer: problem.prefer?.flatMap((entry) => {
      const first = jobs.get(entry.first)!;
      const then = jobs.get(entry.then)!;
      const shared = first.tray === then.tray ? covered(first).filter((model) => covered(then).includes(model)) : [];
      return shared.map((model) => ({
        first: singleId(first.id, model),
        then: singleId(then.id, model),
        minutes: entry.minutes / shared.length,
        ...(entry.wish && { wish: true }),
      }));
    }),
  };
}

function singleJob(job: LineJob, model: number, index: number, coveredBy: (id: string) => number[]): LineJob {
  const { models: _models, minutesPerModel, after, ...rest } = job;
  return {
    ...rest,
    id: singleId(job.id, model),
    tray: singleId(job.tray, model),
    minutesPerModel: typeof minutesPerModel === 'number' ? minutesPerModel : minutesPerModel[index]!,
    after: after.flatMap((entry) => singleAfter(entry, model, coveredBy(entry.job))),
  };
}

function singleAfter(entry: LineAfter, model: number, covered: number[]): LineAfter[] {
  const waitedFor = entry.scope === 'tray' ? covered : covered.filter((other) => other === model);
  return waitedFor.map((other) => ({ ...entry, job: singleId(entry.job, other) }));
}
