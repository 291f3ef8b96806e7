import type { Knex } from 'knex';
import type { BenchEvent } from '../core/bench/definitions';
import type { JobInfo } from '../core/scheme/buildLine';
import type { LineProblem } from '../core/line/definitions';
import type { StoredEvent, StoredRun } from '../core/views/stored';
import type { IdentifiedLogRow } from '../core/bench/logRowsOf';
import { replaceRunRows } from './timeLogStore';

interface RunRow extends Omit<StoredRun, 'jobs' | 'problem'> {
  jobs: string;
  problem: string;
}

interface EventRow extends StoredEvent {
  runId: string;
}

const runOf = (row: RunRow): StoredRun => ({
  ...row,
  jobs: JSON.parse(row.jobs) as JobInfo[],
  problem: JSON.parse(row.problem) as LineProblem,
});

const eventOf = ({ runId: _run, ...event }: EventRow): StoredEvent => event;

/** Runs at the bench and their events. Events are only ever added. */
export class RunStore {
  constructor(private readonly db: Knex) {}

  async find(id: string): Promise<StoredRun | null> {
    const row = await this.db<RunRow>('bench_run').where({ id }).first();
    return row ? runOf(row) : null;
  }

  async listFor(commissionId: string): Promise<StoredRun[]> {
    return (await this.db<RunRow>('bench_run').where({ commissionId }).orderBy(['startedAt', 'id'])).map(runOf);
  }

  async openRun(commissionId: string): Promise<StoredRun | null> {
    const row = await this.db<RunRow>('bench_run').where({ commissionId, closedAt: null }).orderBy('startedAt', 'desc').first();
    return row ? runOf(row) : null;
  }

  /** Adds a run; runs of the commission that are still open are closed at its start. */
  async start(run: StoredRun): Promise<void> {
    await this.db.transaction(async (trx) => {
      await trx<RunRow>('bench_run').where({ commissionId: run.commissionId, closedAt: null }).update({ closedAt: run.startedAt });
      await trx<RunRow>('bench_run').insert({ ...run, jobs: JSON.stringify(run.jobs), problem: JSON.stringify(run.problem) });
    });
  }

  async events(runId: string, afterSeq = 0): Promise<StoredEvent[]> {
    return (await this.db<EventRow>('bench_event').where({ runId }).where('seq', '>', afterSeq).orderBy('seq')).map(eventOf);
  }

  /**
   * Adds events in the order given; one that is known by its id is left as it is. The time log rows of the run are
   * worked out anew from all its events and replaced in the same transaction.
   */
  async addEvents(
    runId: string,
    events: readonly BenchEvent[],
    receivedAt: string,
    logRows: (all: StoredEvent[]) => IdentifiedLogRow[],
  ): Promise<void> {
    await this.db.transaction(async (trx) => {
      for (const event of events) {
        await trx<EventRow>('bench_event')
          .insert({ ...event, runId, receivedAt })
          .onConflict('id')
          .ignore();
      }
      const all = (await trx<EventRow>('bench_event').where({ runId }).orderBy('seq')).map(eventOf);
      await replaceRunRows(trx, runId, logRows(all));
    });
  }
}
