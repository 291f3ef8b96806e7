import type { GroupPace, HitRate, Stage } from '../core/time/check/insights';

/** A finished stretch against what was foretold of it, for a chart. */
export interface ForetoldPoint {
  at: number;
  what: string;
  minutes: number;
  p10: number;
  p50: number;
  p80: number;
  p90: number;
}

/** How a step got faster from stretch to stretch. */
export interface LearningStep {
  key: string;
  commission: string;
  unit: string;
  /** Technique and part. */
  step: string;
  /** Share saved at each doubling. */
  saved: number;
  /** Minutes of a model in each stretch, at the middle of its models, and on the curve. */
  points: { models: number; minutes: number; curve: number }[];
}

export interface StageHours {
  /** Null for all commissions together. */
  commission: string | null;
  minutes: Record<Stage, number>;
}

/** What the log shows beside its rows. */
export interface LogInsights {
  points: ForetoldPoint[];
  /** Of the last hundred stretches foretold, and of all. */
  lastHundred: HitRate;
  all: HitRate;
  /** Rows that are odd or left out, and so not counted. */
  odd: number;
  /** Rows that will be foretold in a moment. */
  pending: boolean;
  learning: LearningStep[];
  /** Share saved at each doubling, over all steps. */
  saved: number;
  bySize: GroupPace[];
  byHour: GroupPace[];
  byPlace: GroupPace[];
  stages: StageHours[];
}
