import type { Technique } from '../scheme/definitions';
import type { Explanation, StretchAhead } from '../time/definitions';
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
