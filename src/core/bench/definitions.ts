/** What happens at the bench, written down as it happens and never rewritten. */

export const BENCH_EVENT_KINDS = ['started', 'done', 'undone', 'paused', 'resumed', 'missed', 'touched-up', 'noted'] as const;
export type BenchEventKind = (typeof BENCH_EVENT_KINDS)[number];

export interface BenchEvent {
  /** Made by the client, so that the same tap sent twice counts once. A ULID: ids of one device sort by time. */
  id: string;
  kind: BenchEventKind;
  /** The client's clock, UTC ISO 8601. */
  at: string;
  /** Job of the run, where the kind needs one. */
  job: string | null;
  /** Model of the unit, 1-based, where the kind needs one. */
  model: number | null;
  /** For `undone`: the event that no longer counts. */
  target: string | null;
  note: string;
}

/** A job as it was when the line was taken to the bench. */
export interface RunJob {
  id: string;
  passKey: string;
  unitId: string;
  setupId: string;
  models: number[];
}

/** `missed`: the pass was done on this model but a spot was left out; it waits for a touch-up. */
export type MarkState = 'done' | 'missed';

export interface Mark {
  state: MarkState;
  /** When the model was last worked on under this pass, UTC ms. */
  at: number;
  eventId: string;
}

/** Work on one job without another job in between. */
export interface Stretch {
  /** Id of the first event of the stretch; stays the same as the stretch grows. */
  id: string;
  job: string;
  startedAt: string;
  models: number;
  /** Hands-on minutes, pauses left out. */
  minutes: number;
  /** Minutes from the last work before it to its start; null when there was none in this sitting. */
  setupMinutes: number | null;
  touchUp: boolean;
}

export interface BenchNote {
  at: string;
  job: string | null;
  model: number | null;
  text: string;
}

/** The state of a run after all its events. */
export interface BenchState {
  /** Marks by pass key, then by model of the unit. */
  marks: Map<string, Map<number, Mark>>;
  /** The job taken up last; it may be finished. */
  currentJob: string | null;
  /** Since when hands-on time of the next model counts, UTC ms; null while nothing runs. */
  workingSince: number | null;
  /** Since when the bench is paused, UTC ms. */
  pausedSince: number | null;
  stretches: Stretch[];
  notes: BenchNote[];
  /** The last event that can be taken back. */
  lastUndoable: BenchEvent | null;
  lastAt: number | null;
}
