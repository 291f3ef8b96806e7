/**
 * The line problem: in which order should one painter do the jobs so that the least bench time is lost?
 * Times are minutes, counted from the first session. The full contract is docs/formats/line-problem.md.
 */

export const LINE_PROBLEM_FORMATS = ['neat-relay/line-problem@1', 'neat-relay/line-problem@2', 'neat-relay/line-problem@3'] as const;
export type LineProblemFormat = (typeof LINE_PROBLEM_FORMATS)[number];
export const LINE_PLAN_FORMAT = 'neat-relay/line-plan@1';

/** Models that travel together, always painted in the order 1..models. */
export interface LineTray {
  id: string;
  models: number;
  /** To put the tray in hand away and take this one up; 0 when not given. */
  fetchMinutes?: number;
}

/** A tool that must rest (washed and dry) before it is used under another setup. */
export interface LineTool {
  id: string;
  count: number;
  restMinutes: number;
}

/** What must be in hand for a job: one paint or mix, one technique, one kind of tool. */
export interface LineSetup {
  id: string;
  tool?: string;
}

/**
 * `model`: model k may start when model k of the other job is dry (same tray only).
 * `tray`: every model that the other job covers must be dry.
 */
export type AfterScope = 'model' | 'tray';

export interface LineAfter {
  job: string;
  scope: AfterScope;
  /** Replaces the other job's `dryMinutes`. */
  lagMinutes?: number;
}

/** One step on one tray, on all its models or on those listed. */
export interface LineJob {
  id: string;
  tray: string;
  setup: string;
  /** 1-based positions in the tray, ascending; absent means all of them. */
  models?: number[];
  /** Hands-on minutes: one number for every model, or one for each covered model. */
  minutesPerModel: number | number[];
  /** Rest before the same place may be worked over. */
  dryMinutes: number;
  /** Rest before the model may be picked up at all, for any job. */
  handleMinutes?: number;
  after: LineAfter[];
}

/** If `first` does not stand before `then`, `minutes` of touch-up are added; those of a wish are no work and only count against the order. */
export interface LinePrefer {
  first: string;
  then: string;
  minutes: number;
  wish?: boolean;
}

/** The last of these jobs should end by `at`; every minute later counts as `perMinuteLate` minutes. A job may be in several. */
export interface LineDue {
  id: string;
  jobs: string[];
  at: number;
  perMinuteLate: number;
}

/**
 * What counts how much in the total: a minute at the bench, a minute until the last model is finished (nights included), and a leg.
 * Without weights a minute until the end counts one, and nothing else.
 */
export interface LineWeights {
  bench: number;
  span: number;
  leg: number;
}

/** Bench time, in minutes from the origin of the problem. */
export interface LineSession {
  from: number;
  to: number;
}

/**
 * What the painter wishes of an order. Wishes never change how an order is timed; `first`, `treat` and `variety` weigh in the search
 * with minutes of their own, `pin` and `together` are kept by it.
 */
export type LineWish =
  /** These jobs stand together in this order, directly behind `after`, or at the start of the line when it is null. */
  | { kind: 'pin'; jobs: string[]; after: string | null }
  /** These jobs stand together, in any order. */
  | { kind: 'together'; jobs: string[] }
  /** Every minute until these trays are finished counts `weight` minutes more. */
  | { kind: 'first'; trays: string[]; weight: number }
  /** One of these jobs stands before every so many models of others: each model more counts `minutes`. */
  | { kind: 'treat'; jobs: string[]; everyModels: number; minutes: number }
  /** Trays of one group are much alike: each model beyond so many of them in a row counts `minutes`. */
  | { kind: 'variety'; groups: string[][]; mostModels: number; minutes: number };

export interface LineProblem {
  format: LineProblemFormat;
  trays: LineTray[];
  tools?: LineTool[];
  setups: LineSetup[];
  start: number[];
  changeover: number[][];
  jobs: LineJob[];
  prefer?: LinePrefer[];
  sessions?: LineSession[];
  due?: LineDue[];
  weights?: LineWeights;
  /** Ours on top of the contract; readers that do not know it may ignore it. */
  wishes?: LineWish[];
}

/** Where the minutes of an order go. `total` is what is minimised, then `bench`. */
export interface LineTotals {
  total: number;
  finish: number;
  bench: number;
  handsOn: number;
  changeover: number;
  wait: number;
  touchUp: number;
  /** What lateness counts, over all dates. */
  late: number;
  /** Minutes of broken preferences that are wishes and no work. */
  against: number;
  /** Runs of neighbours under one setup. */
  legCount: number;
}

/** When the last job of a date ends, and when it should. */
export interface TimedDue {
  id: string;
  end: number;
  at: number;
}

export interface TimedJob {
  id: string;
  begin: number;
  end: number;
  prep: number;
  wait: number;
}

/** What another order changes, in minutes: at the bench, on the clock until the last job is done, and what lateness counts. */
export interface OrderChange {
  bench: number;
  finish: number;
  late: number;
}

/** Consecutive jobs under one setup, from the start of the first prep to the last end. */
export interface LineLeg {
  setup: string;
  jobs: string[];
  from: number;
  to: number;
}

export interface LinePlan extends LineTotals {
  format: typeof LINE_PLAN_FORMAT;
  order: string[];
  /** No order can have a smaller total. */
  bound: number;
  /** True only when the order was shown to be optimal. */
  proven: boolean;
  legs: LineLeg[];
  jobs: TimedJob[];
  due: TimedDue[];
  /** For each wish of the problem, in its order: is it kept? Only when the problem has wishes. */
  wishesKept?: boolean[];
}

/** Rounding allowed when a time is compared with the end of a session, from the format's contract. */
export const SESSION_ROUNDING = 1e-9;

/** A problem is of the first version that knows all it has: fetching and dates came with the second, weights and wishes for pairs with the third. */
export function lineFormatOf({
  trays,
  due,
  weights,
  prefer,
}: Pick<LineProblem, 'trays' | 'due' | 'weights' | 'prefer'>): LineProblemFormat {
  if (weights || prefer?.some(({ wish }) => wish)) return LINE_PROBLEM_FORMATS[2];
  return LINE_PROBLEM_FORMATS[due?.length || trays.some(({ fetchMinutes = 0 }) => fetchMinutes > 0) ? 1 : 0];
}
