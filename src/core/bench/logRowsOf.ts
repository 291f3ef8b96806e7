import type { JobInfo } from '../scheme/buildLine';
import type { LogRow } from '../time/definitions';
import type { BenchEvent } from './definitions';
import { replayBench } from './replayBench';

/** A row that keeps its id while its stretch of work grows. */
export interface IdentifiedLogRow extends LogRow {
  id: string;
}

/** Shorter than anybody paints: a second tap by mistake, or a mark made without starting. */
const SHORTEST_MINUTES = 0.01;

const rounded = (minutes: number) => Math.round(minutes * 1000) / 1000;

/** The time log rows of a run: one for each stretch of work on one job. */
export function logRowsOf(commissionName: string, run: { jobs: readonly JobInfo[] }, events: readonly BenchEvent[]): IdentifiedLogRow[] {
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
