import type { WeeklySession } from '../core/scheme/model/houseRules';
import type { LineSessions } from '../core/plan/dates/lineSessions';
import type { LineDue } from '../core/line/definitions';
import type { ShortPaint } from '../core/paint/shortPaints';
import type { OwnLine } from '../core/line/hand/carryOver';
import type { BuiltLine } from '../core/plan/build/buildLine';
import type { Selection } from '../core/plan/selection';

/** A unit that can be put on the line. */
export interface UnitChoice {
  id: string;
  name: string;
  models: number;
  commissionId: string;
  commissionName: string;
  dueOn: string;
  hasScheme: boolean;
}

/** Everything the Line view computes from. */
export interface LinePicture extends BuiltLine {
  /** The usual sessions, while nobody has said that they are right; null afterwards. */
  askedSessions: WeeklySession[] | null;
  selection: Selection;
  /** All units that are open, for choosing. */
  choices: UnitChoice[];
  /** Units whose batch waits for the approval of a test model. */
  waitingUnits: string[];
  /** Units that go by the test model of another, which waits. */
  heldUnits: string[];
  /** Likely minutes of the line with those batches; null when none waits. */
  withWaiting: number | null;
  unitsWithoutScheme: string[];
  /** Steps whose paint nobody has named, in words. */
  stepsWithoutPaint: string[];
  /** Pots that do not hold what these units take, the most missing first. */
  shortPaints: ShortPaint[];
  /** This very selection lies on the bench. */
  isOnBench: boolean;
  /** Something else lies on the bench. */
  isBenchTaken: boolean;
  /** The line on the bench replaced another, which can be put back. */
  canPutBack: boolean;
  /** What each rule of `preferRules` is about, in words. */
  ruleWords: Record<string, string>;
  /** Units more than half of which is painted. */
  nearlyDone: string[];
  /** Jobs on leaders alone, which break up a batch. */
  treatJobs: string[];
  /** The painter's coming sessions; null when House rules have none. */
  sessions: LineSessions | null;
  /** Dates of the commissions on the line, in minutes of those sessions; their ids are those of the commissions. */
  due: LineDue[];
  /** All open commissions, by date. */
  /** `leavesBy`: the last day on which the parcel can go. */
  commissions: { id: string; name: string; dueOn: string; leavesBy: string; cureDays: number }[];
  /** The order that the program suggests (job ids); every view plans with it while the painter has none of his own. */
  suggested: string[];
  /** The program still looks for a better one. */
  isSearching: boolean;
  /** The painter's own order and wishes, carried over to what is left; null while the suggestion is followed. */
  own: OwnLine | null;
  /** Revision of that order; 0 when none was ever saved. */
  ownRevision: number;
  /** That order is the one on the bench. */
  isOwnOnBench: boolean;
}

/** What is suggested for a line by now. */
export type SuggestedLine = Pick<LinePicture, 'suggested' | 'isSearching'>;

/** How much longer each pass takes in every draw than likely, for the chances of an order. */
export interface LineDraws {
  draws: number;
  passes: [passKey: string, factors: number[]][];
}
