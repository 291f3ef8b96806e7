import type { BenchPicture } from '../../core/views/bench';
import type { BenchOrder } from '../../core/views/stored';
import { chosenUnits } from '../workshop/choice';
import type { Workshop } from '../workshop/loadWorkshop';

/** The line that the one on the bench replaced, as it is called; null when there is none, or nothing of it is open any more. */
export function replacedLine(workshop: Workshop, bench: BenchOrder | null): BenchPicture['replaced'] {
  const replaced = bench?.replaced;
  const names = replaced ? [...new Set(chosenUnits(workshop, replaced.selection).map((unit) => unit.commissionName))] : [];
  return replaced && names.length > 0 ? { laidAt: replaced.laidAt, names } : null;
}
