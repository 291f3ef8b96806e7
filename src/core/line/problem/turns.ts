import type { LineAfter, LineJob } from '../definitions';

/** Jobs with what makes groups take their turn, and which pairs wait only for that. */
export interface TurnedJobs {
  jobs: LineJob[];
  waits: { before: string; after: string }[];
}

/** Jobs of a lower turn are painted before those of a higher one; nothing has to dry in between. */
export function inTurn(jobs: readonly LineJob[], turnOf: (jobId: string) => number): TurnedJobs {
  const turns = [...new Set(jobs.map(({ id }) => turnOf(id)))].sort((a, b) => a - b);
  if (turns.length < 2) return { jobs: [...jobs], waits: [] };
  const isWaitedFor = new Set(jobs.flatMap(({ after }) => after.map(({ job }) => job)));
  // The last of each turn: no other job of theirs waits for them.
  const lastOf = new Map(turns.map((turn) => [turn, jobs.filter(({ id }) => turnOf(id) === turn && !isWaitedFor.has(id))]));
  const waits: TurnedJobs['waits'] = [];
  const turned = jobs.map((job) => {
    const before = turns[turns.indexOf(turnOf(job.id)) - 1];
    if (job.after.length > 0 || before === undefined) return job;
    const last = lastOf.get(before)!;
    waits.push(...last.map(({ id }) => ({ before: id, after: job.id })));
    return { ...job, after: last.map(({ id }): LineAfter => ({ job: id, scope: 'tray', lagMinutes: 0 })) };
  });
  return { jobs: turned, waits };
}

/** The same jobs without turns: only within a group do they wait for each other. */
export function withoutTurns(jobs: readonly LineJob[], groupOf: (jobId: string) => string): LineJob[] {
  return jobs.map((job) => {
    const after = job.after.filter(({ job: other }) => groupOf(other) === groupOf(job.id));
    return after.length === job.after.length ? job : { ...job, after };
  });
}
