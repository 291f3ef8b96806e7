import type { LineAfter, LineJob } from '../definitions';

/** Groups of jobs that are finished one after another: all of a group are painted before any of the next is begun. */
export type Turns = readonly (readonly string[])[];

/** A pair of jobs that waits only because groups take their turn. */
export interface TurnWait {
  before: string;
  after: string;
}

/** Why something is finished before the next is begun: trays of a unit, a unit that goes first, or the batches of the painter. */
export type TurnKind = 'trays' | 'first' | 'units';

/** A rule that jobs of a line keep already, and what waits for it. */
export interface TurnedBy {
  kind: TurnKind;
  turns: Turns;
  waits: readonly TurnWait[];
}

/** Jobs with what makes groups take their turn, and which pairs wait only for that. */
export interface TurnedJobs {
  jobs: LineJob[];
  waits: TurnWait[];
}

/**
 * Has groups of jobs take their turn; nothing has to dry in between. Jobs in no group are free. Turns can be laid over turns, as units
 * over trays, as long as they do not go round in a circle.
 */
export function inTurn(jobs: readonly LineJob[], turns: Turns): TurnedJobs {
  const groups = turns.filter((group) => group.length > 0);
  if (groups.length < 2) return { jobs: [...jobs], waits: [] };
  const groupOf = new Map(groups.flatMap((group, index) => group.map((id) => [id, index] as const)));
  const isInside = (job: LineJob, { job: other }: LineAfter) => groupOf.get(other) === groupOf.get(job.id);
  const grouped = jobs.filter(({ id }) => groupOf.has(id));
  const isWaitedFor = new Set(grouped.flatMap((job) => job.after.filter((wait) => isInside(job, wait)).map((wait) => wait.job)));
  // The last of each group: no other job of theirs waits for them.
  const lastOf = groups.map((group) => group.filter((id) => !isWaitedFor.has(id)));
  const waits: TurnWait[] = [];
  const turned = jobs.map((job) => {
    const group = groupOf.get(job.id) ?? 0;
    if (group === 0 || job.after.some((wait) => isInside(job, wait))) return job;
    const known = new Set(job.after.map((wait) => wait.job));
    const last = lastOf[group - 1]!.filter((id) => !known.has(id));
    waits.push(...last.map((before) => ({ before, after: job.id })));
    return { ...job, after: [...job.after, ...last.map((id): LineAfter => ({ job: id, scope: 'tray', lagMinutes: 0 }))] };
  });
  return { jobs: turned, waits };
}

/** The same jobs without those waits. */
export function withoutTurns(jobs: readonly LineJob[], waits: readonly TurnWait[]): LineJob[] {
  const gone = new Set(waits.map(({ before, after }) => `${before} ${after}`));
  return jobs.map((job) => {
    const after = job.after.filter(({ job: other }) => !gone.has(`${other} ${job.id}`));
    return after.length === job.after.length ? job : { ...job, after };
  });
}

/** The same jobs with one rule after another laid over them. */
export const inAllTurns = (jobs: readonly LineJob[], rules: readonly Turns[]): LineJob[] =>
  rules.reduce<LineJob[]>((turned, turns) => inTurn(turned, turns).jobs, [...jobs]);
