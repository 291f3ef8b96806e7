import type { BenchEvent, BenchEventKind, BenchState, Mark, RunJob, Stretch } from './definitions';

const UNDOABLE: readonly BenchEventKind[] = ['started', 'done', 'missed', 'touched-up', 'noted'];
/** A gap longer than this before a start is not setting up but another sitting. */
const LONGEST_SETUP_MINUTES = 45;
const MINUTE_MS = 60_000;

/** One event each, undone ones and their undoings left out, in the order of the clients' clocks. */
export function effectiveEvents(events: readonly BenchEvent[]): BenchEvent[] {
  const byId = new Map(events.map((event) => [event.id, event]));
  const undone = new Set([...byId.values()].filter((event) => event.kind === 'undone').map((event) => event.target));
  return [...byId.values()]
    .filter((event) => event.kind !== 'undone' && !undone.has(event.id))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
}

/**
 * Replays the events of a run. The result depends on the set of events alone, not on how they arrived or how often.
 * Events of jobs that the run does not have are skipped: they cannot have come from its bench.
 */
export function replayBench(jobs: readonly RunJob[], events: readonly BenchEvent[]): BenchState {
  const replay = new BenchReplay(jobs);
  for (const event of effectiveEvents(events)) replay.take(event);
  return replay.state;
}

class BenchReplay {
  readonly state: BenchState = {
    marks: new Map(),
    currentJob: null,
    workingSince: null,
    pausedSince: null,
    stretches: [],
    notes: [],
    lastUndoable: null,
    lastAt: null,
  };
  private readonly jobs: Map<string, RunJob>;
  private stretch: Stretch | null = null;

  constructor(jobs: readonly RunJob[]) {
    this.jobs = new Map(jobs.map((job) => [job.id, job]));
  }

  take(event: BenchEvent): void {
    if (event.job !== null && !this.jobs.has(event.job)) return;
    const at = Date.parse(event.at);
    this.apply(event, at);
    this.state.lastAt = at;
    if (UNDOABLE.includes(event.kind)) this.state.lastUndoable = event;
  }

  private apply(event: BenchEvent, at: number): void {
    const { state } = this;
    switch (event.kind) {
      case 'started':
        return this.start(event, at);
      case 'done':
        this.work(event, at, false);
        return this.mark(event, at, 'done');
      case 'touched-up':
        this.work(event, at, true);
        return this.mark(event, at, 'done');
      case 'missed':
        return this.mark(event, at, 'missed');
      case 'paused':
        state.pausedSince ??= at;
        return;
      case 'resumed':
        return this.resume(at);
      case 'noted':
        state.notes.push({ at: event.at, job: event.job, model: event.model, text: event.note });
        return;
      case 'undone':
        return;
    }
  }

  private start(event: BenchEvent, at: number): void {
    const { state } = this;
    this.resume(at);
    const gap = state.lastAt === null ? null : (at - state.lastAt) / MINUTE_MS;
    state.currentJob = event.job;
    state.workingSince = at;
    this.stretch = this.openStretch(event, event.at, false, gap !== null && gap <= LONGEST_SETUP_MINUTES ? gap : null);
  }

  /** Adds the time since the last mark to the stretch of this job, opening one when the job was not started by hand. */
  private work(event: BenchEvent, at: number, touchUp: boolean): void {
    const { state } = this;
    this.resume(at);
    if (this.stretch?.job !== event.job || this.stretch?.touchUp !== touchUp) {
      const since = state.workingSince ?? at;
      this.stretch = this.openStretch(event, new Date(since).toISOString(), touchUp, null);
      if (!touchUp) state.currentJob = event.job;
    }
    const stretch = this.stretch!;
    stretch.minutes += Math.max(0, at - (state.workingSince ?? at)) / MINUTE_MS;
    stretch.models += 1;
    if (stretch.models === 1) state.stretches.push(stretch);
    state.workingSince = at;
  }

  /** The time spent paused does not count as work. */
  private resume(at: number): void {
    const { state } = this;
    if (state.pausedSince === null) return;
    if (state.workingSince !== null) state.workingSince += Math.max(0, at - Math.max(state.pausedSince, state.workingSince));
    state.pausedSince = null;
  }

  private openStretch(event: BenchEvent, startedAt: string, touchUp: boolean, setupMinutes: number | null): Stretch {
    return { id: event.id, job: event.job!, startedAt, models: 0, minutes: 0, setupMinutes, touchUp };
  }

  private mark(event: BenchEvent, at: number, state: Mark['state']): void {
    const { passKey } = this.jobs.get(event.job!)!;
    const marks = this.state.marks.get(passKey) ?? new Map<number, Mark>();
    marks.set(event.model!, { state, at, eventId: event.id });
    this.state.marks.set(passKey, marks);
  }
}
