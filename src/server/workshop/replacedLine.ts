import type { BenchPicture } from '../../contract/bench';
import type { BenchOrder } from '../../core/bench/benchOrder';
import { chosenUnits } from './choice';
import type { Workshop } from './loadWorkshop';

/** The line that the one on the bench replaced, as it is called; null when there is none, or nothing of it is open any more. */
export function replacedLine(workshop: Workshop, bench: BenchOrder | null): BenchPicture['replaced'] {
  const replaced = bench?.replaced;
  const names = replaced ? [...new Set(chosenUnits(workshop, replaced.selection).map((unit) => unit.commissionName))] : [];
  return replaced && names.length > 0 ? { laidAt: replaced.laidAt, names } : null;
}
