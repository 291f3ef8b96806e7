import type { Steps } from '../kernel/steps';
import type { LogRow } from '../log/definitions';
import type { StretchAhead } from '../scheme/passes/stretchAhead';

/** A kind of step whose minutes are estimated: one technique on one part of one unit. Where there are ids, names do not matter. */
export type StepKind = Pick<LogRow, 'unitId' | 'stepId' | 'stepLike' | 'commission' | 'unit' | 'part' | 'technique' | 'size' | 'coverage'>;

/** What a plan needs to know of a step: minutes follow from the models done before (`learningCurve.ts`). */
export interface StepCurve {
  /** Minutes of an ordinary model in the middle of a batch. */
  level: number;
  slope: number;
  /** How leaders differ from their factor in House rules, as a power of it. */
  leaders: number;
  /** Models that count as done before the first one: practice that is left of a like order. */
  practised: number;
}

/** Minutes for one model counted at its factor, and where they come from. */
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

/** A piece of work to come. */
export interface WorkItem extends StretchAhead {
  kind: StepKind;
  /** How many easy whole coats a model of it counts as. */
  effort: number;
}

/** What the norm is multiplied by, one after the other, to come to an estimate. */
export const ESTIMATE_FACTORS = ['pace', 'technique', 'size', 'unit', 'step', 'repetition', 'leaders'] as const;

/** Where an estimate comes from, in figures that multiply to it. All minutes are for one model counted at its factor. */
export interface Explanation {
  norm: number;
  factors: { of: (typeof ESTIMATE_FACTORS)[number]; factor: number }[];
  p10: number;
  p50: number;
  p90: number;
  /** Share of the time that each doubling of models saves on this step. */
  saved: number;
  /** Stretches that count: of this step, of its technique, in all. */
  stretches: { step: number; technique: number; all: number };
  /** What so many more stretches of this step would do: the interval if they take what is expected, and the median if each takes longer. */
  next: { stretches: number; p10: number; p90: number; slower: number; ifSlower: number };
}

/** What the log says about how long things take. */
export interface TimeModel {
  curve: (kind: StepKind) => StepCurve;
  /** Of sound work; with `orOdd` of a row as it comes, which may be an interrupted one. */
  estimate: (kind: StepKind, stretch?: StretchAhead, orOdd?: boolean) => StepEstimate;
  /**
   * Total minutes of each group of work in each of `draws` draws from the joint posterior: a painter who is slow in one
   * group of a draw is slow in all of them. What a draw says of a step depends on the step and the seed alone, so work that is
   * added or done shifts nothing else.
   */
  simulate: (groups: readonly (readonly WorkItem[])[], draws: number, seed: number) => Steps<Float64Array[]>;
  explain: (kind: StepKind, stretch: StretchAhead) => Explanation;
  /** How leaders differ from their factor, as a power of it, and the stretches with leaders that say so. */
  leaders: { power: number; stretches: number };
  /** Learning slope over all techniques. */
  slopeOfAll: number;
  /** Models of a step in the log. */
  modelsDone: (kind: StepKind) => number;
}
