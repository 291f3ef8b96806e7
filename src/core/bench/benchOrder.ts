import type { OwnLine } from '../line/hand/carryOver';
import type { Selection } from '../plan/selection';

/** The line on the bench: an order over chosen units, laid at a moment. */
export interface BenchOrder extends OwnLine {
  selection: Selection;
  laidAt: string;
  /** The line that was on the bench before, so that it can be put back; null when there was none. */
  replaced: Omit<BenchOrder, 'replaced'> | null;
}
