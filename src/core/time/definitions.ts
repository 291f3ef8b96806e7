import type { Size, Technique } from '../scheme/definitions';

/** One stretch of work in the time log, as `neat-relay/time-log@1` writes it. */
export interface LogRow {
  /** ISO 8601 with offset. */
  startedAt: string;
  commission: string;
  unit: string;
  /** Empty for a step over everything. */
  part: string;
  technique: Technique;
  size: Size;
  /** Share of the model's surface, 0 to 1. */
  coverage: number;
  models: number;
  /** Hands-on, for all models together. */
  minutes: number;
  setupMinutes: number | null;
  note: string;
}

/** What the painter said about a row that looks interrupted. */
export type RowVerdict = 'unsure' | 'counts' | 'left out';

export interface JudgedRow extends LogRow {
  verdict: RowVerdict;
}

/** A kind of step whose minutes are estimated: one technique on one part of one unit. */
export interface StepKind {
  commission: string;
  unit: string;
  part: string;
  technique: Technique;
  size: Size;
  coverage: number;
}

/** Minutes for one model, and where they come from. */
export interface StepEstimate {
  p10: number;
  p50: number;
  p80: number;
  p90: number;
  /** The shipped norm it starts from. */
  normMinutes: number;
  /** Models of this very step in the log, and of this technique anywhere. */
  modelsHere: number;
  modelsOfTechnique: number;
  /** In words the painter can check. */
  why: string;
}

/** A piece of work to come: so many models of a step, counting a leader as more than one. */
export interface WorkItem {
  kind: StepKind;
  models: number;
}

/** What the log says about how long things take. Later models keep this interface. */
export interface TimeModel {
  estimate: (kind: StepKind, models?: number) => StepEstimate;
  /**
   * Total minutes of each group of work in each of `draws` draws from the joint posterior: a painter who is slow in one
   * group of a draw is slow in all of them.
   */
  simulate: (groups: readonly (readonly WorkItem[])[], draws: number, seed: number) => Float64Array[];
  /** For every row given to the fit: does it look interrupted? */
  interrupted: readonly boolean[];
}
