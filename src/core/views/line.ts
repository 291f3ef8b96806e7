import type { LineSessions } from '../calendar/lineSessions';
import type { OwnLine } from '../line/carryOver';
import type { BuiltLine } from '../scheme/buildLine';

/** Everything the Line view computes from. */
export interface LinePicture extends BuiltLine {
  /** Units whose batch waits for the client's word on a test model. */
  waitingUnits: string[];
  unitsWithoutScheme: string[];
  hasOpenRun: boolean;
  /** Jobs on leaders alone, which break up a batch. */
  treatJobs: string[];
  /** The painter's coming sessions; null when House rules have none. */
  sessions: LineSessions | null;
  /** The painter's own order and wishes, carried over to what is left; null while the suggestion is followed. */
  own: OwnLine | null;
}
