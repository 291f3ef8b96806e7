import type { Technique } from '../core/scheme/model/techniques';
import type { Explanation } from '../core/time/definitions';
import type { StretchAhead } from '../core/scheme/passes/stretchAhead';
import type { ShownRow } from './log';

/** Why a pass is estimated as it is. */
export interface WhyPicture {
  technique: Technique;
  /** The models that the figure is for: those left, or all where none is. */
  stretch: StretchAhead;
  explanation: Explanation;
  /** The last rows of this step, newest first. */
  rows: ShownRow[];
}
