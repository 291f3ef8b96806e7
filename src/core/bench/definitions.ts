import { coatKey } from '../kernel/ids';
import type { OpenReason } from '../log/definitions';
import type { Size } from '../scheme/model/definitions';
import type { Technique } from '../scheme/model/techniques';
import type { ModelFactor } from '../scheme/model/whoTakes';

/**
 * What happens at the bench: one stream for the one bench, over all commissions and days. Events are written down as
 * they happen and never rewritten. They name what was worked on by ids that no line, tray or name can change.
 */

export const BENCH_EVENT_KINDS = [
  /** The setup is in hand and painting begins; with a model: it is painted although something under it is wet or missing. */
  'started',
  'done',
  'undone',
  'paused',
  'resumed',
  /** A spot was left out on these models under this pass. */
  'missed',
  'touched-up',
  'noted',
  /** The painter chose this model to go on with. */
  'picked',
  /** These models wait, whatever is planned for them: broken, lent, to be looked at. */
  'set-aside',
  'brought-back',
  /** What was painted on these models under this pass does not hold any more. */
  'reopened',
  /** These models count as done under this pass as they are, though it was changed since. */
  'kept',
  /** These models do without this pass: nothing is painted, and nothing waits for it. */
  'left-out',
  /** These models were looked over while the wash was wet. */
  'looked',
  /** Not this evening: the pass is passed over until another one. */
  'put-off',
  /** A mix of another evening can still be used; its facts name it. */
  'mix-kept',
  /** These models were inspected; the note says for which look. */
  'inspected',
  /** Enough for today. */
  'ended',
  /** Work on something that this data folder does not hold: only its time is known. */
  'elsewhere',
] as const;
export type BenchEventKind = (typeof BENCH_EVENT_KINDS)[number];

/** When a unit is inspected: before the shade, before the varnish, and when all of it is painted. */
export const LOOKS = ['shade', 'varnish', 'end'] as const;
export type Look = (typeof LOOKS)[number];

/** What was true of the work at the moment it was begun; a later change of the scheme leaves it as it was. */
export interface WorkFacts {
  commissionId: string;
  commission: string;
  unit: string;
  /** Empty for a step over everything. */
  part: string;
  technique: Technique;
  /** As the painter calls it; left out for a shipped technique. */
  own?: { name: string };
  /** Which brush, in the painter's words; left out where the technique says it. */
  brush?: string;
  /** Id of a paint or a mix. */
  paintId: string | null;
  paint: string | null;
  size: Size;
  /** Share of the model's surface, 0 to 1. */
  coverage: number;
  dryMinutes: number;
  handleMinutes: number;
  /** Planned for an ordinary model. */
  minutes: number;
  /** How many easy ones a model counts as here, whoever it is: hard to reach takes longer. */
  effort: number;
  /** Models of the unit that count as more or fewer than one. */
  factors: ModelFactor[];
  /** The first of the steps that this one was copied from, while it is still painted alike. */
  like: string | null;
}

/** Every bench has a clock of its own: what a file brings from another one is not timed against this one's. */
export interface BenchEvent {
  /** Id of the bench it was tapped at; null for this one. */
  bench: string | null;
  /** Made by the client, so that the same tap sent twice counts once. A ULID: ids of one device sort by time. */
  id: string;
  kind: BenchEventKind;
  /** The client's clock, UTC ISO 8601. */
  at: string;
  unit: string | null;
  step: string | null;
  /** Coat of the step, from 1. */
  coat: number | null;
  /** Models of the unit, 1-based. */
  models: number[];
  /** For `undone`: the event that no longer counts. */
  target: string | null;
  /** For `done` and `touched-up`: hands-on minutes as the painter gave them; null leaves it to the clock. */
  minutes: number | null;
  /**
   * Since when it could be done, UTC ISO 8601, where the painter waited. For `done`: the model was wet until then. For `started`: what
   * is painted was wet, or its tool rested; at the beginning of a sitting, since when the painter was at the bench.
   */
  readyAt: string | null;
  /** For `done`: minutes to fetch another tray as planned, where it was fetched with the setup in hand. */
  fetchMinutes: number | null;
  /** On the event that begins a stretch; they hold for the pass until an event brings others. */
  facts: WorkFacts | null;
  note: string;
}

/** An event with the moment the server had it, and its number in the order of arrival. */
export interface StoredEvent extends BenchEvent {
  seq: number;
  receivedAt: string;
}

/** What stands on one model under one pass. */
export interface Mark {
  /** When the model was last worked on under this pass, UTC ms. */
  at: number;
  dryMinutes: number;
  handleMinutes: number;
  /** `technique|paint`, as the line names setups; empty where nobody wrote it down. */
  setupId: string;
  /** A spot was left out and waits for a touch-up. */
  missed: { at: number; eventId: string; note: string } | null;
  /** Nothing was painted: the model does without. */
  leftOut?: true;
}

/** Marks by pass key (`step#coat`), then by model of the unit. */
export type Marks = ReadonlyMap<string, ReadonlyMap<number, Mark>>;

export interface BenchNote {
  eventId: string;
  at: number;
  unit: string | null;
  passKey: string | null;
  models: number[];
  text: string;
}

/** A place that was missed, whether touched up since or not. */
export interface TroubleSpot {
  passKey: string;
  unit: string;
  models: number[];
  note: string;
}

/** What stands on the models after all events that name them. */
export interface BenchMarks {
  marks: Map<string, Map<number, Mark>>;
  /** Models set aside, by unit, with the reason. */
  aside: Map<string, Map<number, string>>;
  notes: BenchNote[];
  trouble: TroubleSpot[];
  /** Looked over while wet: pass key, then models. */
  looked: Map<string, Set<number>>;
  /** When a pass was put off for the evening, UTC ms, by its key. */
  putOff: Map<string, number>;
  /** When the painter said that a mix had kept: by unit, then by the pot that the mix is, UTC ms. */
  keptMixes: Map<string, Map<string, number>>;
  /** When each model was inspected last, UTC ms: by unit, then by look. */
  inspected: Map<string, Map<Look, Map<number, number>>>;
}

/** Where the painter's clock stands. Plain data, so that a fold can go on from it. */
export interface BenchClock {
  /** The pass in hand. */
  current: { unit: string; passKey: string; setupId: string } | null;
  /** The model chosen by hand, while it is the pass in hand. */
  picked: number | null;
  /** Started although it was wet or not painted underneath. */
  startedAnyway: number | null;
  /** Since when hands-on time of the next model counts, UTC ms; null while nothing runs. */
  workingSince: number | null;
  pausedSince: number | null;
  /** The last event that moved the clock. */
  lastAt: number | null;
  /** The last event that undo takes back. */
  lastUndoable: { id: string; unit: string | null } | null;
}

/** Work on one pass without another in between. */
export interface Stretch {
  /** The first event of the stretch, or of the group of taps whose time is open. */
  id: string;
  unit: string;
  step: string;
  coat: number;
  facts: WorkFacts;
  startedAt: number;
  models: number[];
  /** Models at their factor: a leader counts as more than one. */
  weight: number;
  /** Hands-on, pauses and waits left out; what the clock showed where `open` says that it cannot be taken. */
  minutes: number;
  open: OpenReason | null;
  /** Minutes to get ready for it, pauses and waiting left out; null where nobody knows. */
  setupMinutes: number | null;
  /** The setup in hand before (`NOTHING_IN_HAND` where there was none), and the one changed to; null where the change was not measured. */
  setupFrom: string | null;
  setupTo: string | null;
  touchUp: boolean;
  /** What was noted meanwhile. */
  notes: string[];
}

export const passKeyOf = ({ step, coat }: Pick<BenchEvent, 'step' | 'coat'>): string | null =>
  step === null || coat === null ? null : coatKey(step, coat);
