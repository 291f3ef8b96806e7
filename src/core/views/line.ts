import type { BuiltLine } from '../scheme/buildLine';

/** Everything the Line view computes from. */
export interface LinePicture extends BuiltLine {
  /** Units whose batch waits for the client's word on a test model. */
  waitingUnits: string[];
  unitsWithoutScheme: string[];
  hasOpenRun: boolean;
}
