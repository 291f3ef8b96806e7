import { replayBench } from '../../core/bench/replayBench';
import type { BenchEvent } from '../../core/bench/definitions';
import type { NewLogRow } from '../../data/timeLogStore';
import type { StoredRun } from '../../data/runStore';

/** Shorter than anybody paints: a second tap by mistake, or a mark made without starting. */
const SHORTEST_MINUTES = 0.01;

const rounded = (minutes: number) => Math.round(minutes * 1000) / 1000;

/** The time log rows of a run: one for each stretch of work on one job. */
export function logRowsOf(commissionName: string, run: Pick<StoredRun, 'jobs'>, events: readonly BenchEvent[]): NewLogRow[] {
  const jobs = new Map(run.jobs.map((job) => [job.id, job]));
  return replayBench(run.jobs, events)
    .stretches.filter((stretch) => stretch.minutes >= SHORTEST_MINUTES)
    .map((stretch) => {
      const job = jobs.get(stretch.job)!;
      return {
        id: stretch.id,
        startedAt: stretch.startedAt,
        commission: commissionName,
        unit: job.unitName,
        part: job.partName ?? '',
        technique: stretch.touchUp ? 'touchup' : job.technique,
        size: job.size,
        coverage: job.coverage,
        models: stretch.models,
        minutes: rounded(stretch.minutes),
        setupMinutes: stretch.setupMinutes === null ? null : rounded(stretch.setupMinutes),
        note: '',
      };
    });
}
