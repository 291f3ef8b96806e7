import { wholeCommission, type Selection } from '../../core/plan/selection';
import type { Stores } from '../stores/stores';
import { chosenUnits } from '../workshop/choice';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';

/** One piece of the bench's queue. */
export interface LineAhead {
  selection: Selection;
  units: WorkUnit[];
  isBench: boolean;
}

/** The line on the bench, then what it leaves of one commission after the other, by date. */
export async function linesAhead(stores: Stores, workshop: Workshop): Promise<LineAhead[]> {
  const bench = await stores.workshop.bench();
  const onBench = bench ? chosenUnits(workshop, bench.selection) : [];
  const ids = new Set(onBench.map((unit) => unit.id));
  const rest = workshop.commissions.map(({ id }): LineAhead => {
    const units = workshop.units.filter((unit) => unit.commissionId === id && !ids.has(unit.id));
    const isWhole = units.length === workshop.units.filter((unit) => unit.commissionId === id).length;
    const selection = isWhole ? wholeCommission(id) : [{ commissionId: id, unitIds: units.map((unit) => unit.id) }];
    return { selection, units, isBench: false };
  });
  return [...(bench ? [{ selection: bench.selection, units: onBench, isBench: true }] : []), ...rest];
}
