import type { LineProblem } from '../line/definitions';
import type { BenchState, RunJob } from './definitions';

/** A run as it was taken to the bench: its jobs in the order planned, and the problem they came from. */
export interface RunPlan {
  jobs: RunJob[];
  problem: LineProblem;
  /** Models that an earlier line of the commission has left wet. */
  stillWet?: readonly WetModel[];
}

export interface WetModel {
  unitId: string;
  /** What is wet on it, in words. */
  what: string;
  model: number;
  /** UTC ms. */
  dryAt: number;
}

export interface DryingModel {
  job: string;
  model: number;
  /** UTC ms. */
  dryAt: number;
}

export interface Miss {
  job: string;
  model: number;
}

/** What the bench shows of a state: what to do now, what comes next, what still dries. */
export interface BenchView {
  /** The job to work on; null when every job of the run is finished. */
  job: string | null;
  /** It needs its setup in hand first: the painter says when to start. */
  needsStart: boolean;
  /** The model to take up; null when only misses are left. */
  model: number | null;
  /** When that model may be worked on, UTC ms; 0 when at once. */
  readyAt: number;
  nextJobs: string[];
  misses: Miss[];
  modelsDone: number;
  modelsTotal: number;
}

const MINUTE_MS = 60_000;

const isMarked = (state: BenchState, job: RunJob, model: number) => state.marks.get(job.passKey)?.has(model) ?? false;
const openModels = (state: BenchState, job: RunJob) => job.models.filter((model) => !isMarked(state, job, model));

/** Looks at a state with the plan beside it. A job taken up out of order stays the current one until it is finished. */
export function viewBench(plan: RunPlan, state: BenchState): BenchView {
  const open = plan.jobs.filter((job) => openModels(state, job).length > 0);
  const current = open.find((job) => job.id === state.currentJob) ?? open[0] ?? null;
  const held = plan.jobs.find((job) => job.id === state.currentJob)?.setupId ?? null;
  const model = current ? openModels(state, current)[0]! : null;
  const started = current !== null && (current.id === state.currentJob || current.setupId === held);
  return {
    job: current?.id ?? null,
    needsStart: current !== null && (!started || state.workingSince === null),
    model,
    readyAt: current ? readyAt(plan, state, current, model!) : 0,
    nextJobs: open.filter((job) => job !== current).map((job) => job.id),
    misses: plan.jobs.flatMap((job) =>
      job.models
        .filter((each) => state.marks.get(job.passKey)?.get(each)?.state === 'missed')
        .map((each) => ({ job: job.id, model: each })),
    ),
    modelsDone: plan.jobs.reduce((sum, job) => sum + job.models.length - openModels(state, job).length, 0),
    modelsTotal: plan.jobs.reduce((sum, job) => sum + job.models.length, 0),
  };
}

/** When a model may be worked on under a job: everything it waits for painted and dry. Infinity while something is not painted. */
export function readyAt(plan: RunPlan, state: BenchState, job: RunJob, model: number): number {
  const lineJobs = new Map(plan.problem.jobs.map((entry) => [entry.id, entry]));
  const runJobs = new Map(plan.jobs.map((entry) => [entry.id, entry]));
  const wet = (plan.stillWet ?? []).filter((each) => each.unitId === job.unitId && each.model === model);
  let ready = wet.reduce((latest, each) => Math.max(latest, each.dryAt), 0);
  for (const after of lineJobs.get(job.id)!.after) {
    const other = runJobs.get(after.job)!;
    const lag = after.lagMinutes ?? lineJobs.get(other.id)!.dryMinutes;
    const waitsFor = after.scope === 'tray' ? other.models : other.models.filter((each) => each === model);
    for (const each of waitsFor) {
      const mark = state.marks.get(other.passKey)?.get(each);
      ready = Math.max(ready, mark ? mark.at + lag * MINUTE_MS : Infinity);
    }
  }
  return ready;
}

/** Everything that is not dry yet at `now` (UTC ms), first dry first. */
export function dryingModels(plan: RunPlan, state: BenchState, now: number): DryingModel[] {
  const dryMinutes = new Map(plan.problem.jobs.map((entry) => [entry.id, entry.dryMinutes]));
  return plan.jobs
    .flatMap((job) =>
      job.models.flatMap((model) => {
        const mark = state.marks.get(job.passKey)?.get(model);
        const dryAt = mark ? mark.at + dryMinutes.get(job.id)! * MINUTE_MS : 0;
        return dryAt > now ? [{ job: job.id, model, dryAt }] : [];
      }),
    )
    .sort((a, b) => a.dryAt - b.dryAt);
}

/** Passes done on a model in this run, latest first: where a miss may have happened. */
export function passesDoneOn(plan: RunPlan, state: BenchState, unitId: string, model: number): RunJob[] {
  const at = (job: RunJob) => state.marks.get(job.passKey)?.get(model)?.at ?? 0;
  return plan.jobs
    .filter((job) => job.unitId === unitId && job.models.includes(model) && isMarked(state, job, model))
    .sort((a, b) => at(b) - at(a));
}
