import type { Size } from '../scheme/model/definitions';
import type { Technique } from '../scheme/model/techniques';

/** Why the minutes of marks are not known: ticked off faster than anybody paints, or over a gap longer than anybody paints. */
export type OpenReason = 'late' | 'gap';

/**
 * One stretch of work in the time log, as `neat-relay/time-log@1` writes it. What it is of is told by ids; the names are those
 * of the moment, and all that there is where a file brought the row.
 */
export interface LogRow {
  /** ISO 8601 with offset. */
  startedAt: string;
  commissionId: string | null;
  unitId: string | null;
  stepId: string | null;
  /** The first of the steps that this one was copied from, while it is still painted alike. */
  stepLike: string | null;
  commission: string;
  unit: string;
  /** Empty for a step over everything. */
  part: string;
  technique: Technique;
  /** As the painter calls it; null, or left out by earlier versions, for a shipped technique. */
  called?: string | null;
  size: Size;
  /** Share of the model's surface, 0 to 1. */
  coverage: number;
  models: number;
  /** Models at their factor, times the effort: a leader counts as more than one. */
  weight: number;
  /** How many easy whole coats a model counts as, whoever it is: half of one for fronts alone. */
  effort: number;
  /** Hands-on, for all models together; where `open` is set, what the clock showed. */
  minutes: number;
  /** Why the minutes are not known, until the painter says what they were. */
  open: OpenReason | null;
  setupMinutes: number | null;
  /** The setups that the change was from and to, where the clock knows them. */
  setupFrom: string | null;
  setupTo: string | null;
  note: string;
}

/** What the painter said about a row. */
export const ROW_VERDICTS = ['unsure', 'counts', 'left out'] as const;
export type RowVerdict = (typeof ROW_VERDICTS)[number];

/** The painter's word on a row; the row itself stays as it was measured. */
export interface RowJudgement {
  verdict: RowVerdict;
  /** Hands-on minutes as the painter corrected them. */
  correctedMinutes: number | null;
}

/** The same as it is kept, with what the row was when its minutes were corrected: both null where nobody knows. */
export interface KeptJudgement extends RowJudgement {
  ofModels: number | null;
  ofMinutes: number | null;
}

export interface JudgedRow extends LogRow, RowJudgement {}

/** The minutes of a row that count; null while nobody knows them. */
export const minutesThatCount = ({
  minutes,
  open,
  correctedMinutes,
}: Pick<JudgedRow, 'minutes' | 'open' | 'correctedMinutes'>): number | null =>
  correctedMinutes ?? (open === null && minutes > 0 ? minutes : null);

export interface StoredLogRow extends JudgedRow {
  id: string;
  /** The bench event that begins it; null for rows that a file brought. */
  eventId: string | null;
  /** What the painter said of it, as it is kept; null where nothing was said. */
  said: KeptJudgement | null;
}

/** A row that does not look like ordinary work. */
export type Oddity = 'interrupted' | 'too short';
