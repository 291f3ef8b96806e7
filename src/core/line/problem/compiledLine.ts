import type { LineProblem } from '../definitions';

/**
 * A checked problem in flat arrays. A *cell* is one covered model of one job: the cells of job j are
 * `cellStart[j] .. cellStart[j + 1]`, in tray order. An *edge* is one `after` entry, laid out the same way.
 */
export interface CompiledLine {
  problem: LineProblem;
  jobCount: number;
  setupCount: number;
  cellStart: Int32Array;
  /** Hands-on minutes of each cell. */
  cellMinutes: Float64Array;
  /** Hands-on minutes of a job's cells up to this one, with it. */
  cellSum: Float64Array;
  /** Hands-on minutes of each job. */
  jobMinutes: Float64Array;
  /** The model a cell touches, counted over all trays. */
  cellModel: Int32Array;
  modelCount: number;
  jobSetup: Int32Array;
  jobTray: Int32Array;
  jobHandle: Float64Array;
  trayJobs: Int32Array[];
  /** Minutes to take each tray up. */
  trayFetch: Float64Array;
  /** Does any tray cost fetching? */
  fetches: boolean;
  /** 1 for a tray with a job that has handle minutes. */
  trayHandles: Uint8Array;
  /** The longest that any other job may have to wait after each job. */
  jobLongestLag: Float64Array;
  edgeStart: Int32Array;
  edgeJob: Int32Array;
  edgeLag: Float64Array;
  edgeWholeTray: Uint8Array;
  /** For a model-scope edge: cell offset within the job to the other job's cell, or -1. Indexed from `edgeCellStart`. */
  edgeCell: Int32Array;
  edgeCellStart: Int32Array;
  /**
   * For a model-scope edge between jobs that both run without a stop: how long after the other job's begin this one
   * may begin, drying not counted; -Infinity when they share no model.
   */
  edgeLead: Float64Array;
  /** 1 when it is the first model that sets `edgeLead`, so that a wait for it comes before the job and not inside it. */
  edgeLeadsAtFirst: Uint8Array;
  /** The jobs that wait for each job, and those that each job waits for; each counted once. */
  successors: Int32Array[];
  predecessors: Int32Array[];
  start: Float64Array;
  /** Row-major, setupCount x setupCount. */
  changeover: Float64Array;
  /** Tool of a setup, or -1. */
  setupTool: Int32Array;
  toolCopies: Int32Array;
  toolRest: Float64Array;
  preferFirst: Int32Array;
  preferThen: Int32Array;
  preferMinutes: Float64Array;
  /** 1 for a wish: its minutes are no work. */
  preferIsWish: Uint8Array;
  /** What breaking each preference adds to the total. */
  preferCost: Float64Array;
  objective: Objective;
  sessionFrom: Float64Array;
  sessionTo: Float64Array;
  due: CompiledDue;
  wishes: CompiledWishes;
}

/**
 * The same line, with its fields always in this order: engines make code for one order of fields, and make all of it anew for the next
 * line that has them in another.
 */
export const inOneShape = (line: CompiledLine): CompiledLine => ({
  problem: line.problem,
  jobCount: line.jobCount,
  setupCount: line.setupCount,
  cellStart: line.cellStart,
  cellMinutes: line.cellMinutes,
  cellSum: line.cellSum,
  jobMinutes: line.jobMinutes,
  cellModel: line.cellModel,
  modelCount: line.modelCount,
  jobSetup: line.jobSetup,
  jobTray: line.jobTray,
  jobHandle: line.jobHandle,
  trayJobs: line.trayJobs,
  trayFetch: line.trayFetch,
  fetches: line.fetches,
  trayHandles: line.trayHandles,
  jobLongestLag: line.jobLongestLag,
  edgeStart: line.edgeStart,
  edgeJob: line.edgeJob,
  edgeLag: line.edgeLag,
  edgeWholeTray: line.edgeWholeTray,
  edgeCell: line.edgeCell,
  edgeCellStart: line.edgeCellStart,
  edgeLead: line.edgeLead,
  edgeLeadsAtFirst: line.edgeLeadsAtFirst,
  successors: line.successors,
  predecessors: line.predecessors,
  start: line.start,
  changeover: line.changeover,
  setupTool: line.setupTool,
  toolCopies: line.toolCopies,
  toolRest: line.toolRest,
  preferFirst: line.preferFirst,
  preferThen: line.preferThen,
  preferMinutes: line.preferMinutes,
  preferIsWish: line.preferIsWish,
  preferCost: line.preferCost,
  objective: line.objective,
  sessionFrom: line.sessionFrom,
  sessionTo: line.sessionTo,
  due: line.due,
  wishes: line.wishes,
});

/** What a minute, or a leg, of each kind adds to the total. Work at the bench is hands-on, changeover and waiting minutes. */
export interface Objective {
  bench: number;
  touchUp: number;
  span: number;
  leg: number;
}

/** The dates of a problem by job index. */
export interface CompiledDue {
  count: number;
  at: Float64Array;
  perMinuteLate: Float64Array;
  /** The jobs of each date. */
  jobs: Int32Array[];
  /** Row-major, count x jobCount: 1 where a job belongs to a date. */
  has: Uint8Array;
  /** The dates of each job. */
  ofJob: Int32Array[];
}

/** The wishes of a problem by job index. */
export interface CompiledWishes {
  /** The job that each job stands directly behind; -1 anywhere, -2 at the start of the line. */
  behind: Int32Array;
  /** Jobs of the same number, 0 or more, stand together. */
  together: Int32Array;
  first: { jobs: Int32Array; weight: number }[];
  treats: { isTreat: Uint8Array; everyModels: number; minutes: number }[];
  /** Group of each job, or -1 for one that is unlike all others. */
  varieties: { groupOf: Int32Array; mostModels: number; minutes: number }[];
  /** Are there jobs that must keep their neighbours? */
  bind: boolean;
  /** Are there wishes that cost minutes when they are not kept? */
  cost: boolean;
}
