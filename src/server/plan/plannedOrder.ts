import { carryOver, type OwnLine } from '../../core/line/hand/carryOver';
import type { BuiltLine } from '../../core/plan/build/buildLine';
import { selectionKey, type Selection } from '../../core/plan/selection';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import type { Workshop } from '../workshop/loadWorkshop';
import { suggestedOrder, type PlannedLine } from './suggestedOrder';

/**
 * The order that the bench will follow for these units: what lies on the bench, the painter's own, else what is suggested. Every
 * figure of every view is of this order.
 */
export async function plannedOrder(stores: Stores, workshop: Workshop, line: PlannedLine, built: BuiltLine, now: Date): Promise<string[]> {
  if (built.jobs.length === 0) return [];
  const { selection } = line;
  const own = (await benchLineFor(stores, selection)) ?? (await stores.workshop.ownLine(selection));
  await letOthersIn();
  return own ? carryOver(built.problem, own).order : suggestedOrder(stores, workshop, line, built, now);
}

async function benchLineFor(stores: Stores, selection: Selection): Promise<OwnLine | null> {
  const bench = await stores.workshop.bench();
  return bench && selectionKey(bench.selection) === selectionKey(selection) ? bench : null;
}
