import type { StandardTotals } from '../../core/commission/backPlan';
import { STANDARDS } from '../../core/scheme/model/definitions';
import type { StoredCommission } from '../../core/commission/definitions';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { fromTheStart, type WorkFromTheStart } from './fromTheStart';

/** What a commission would take at each standard if it were painted from the start. */
export async function atEachStandard(
  stores: Stores,
  workshop: Workshop,
  { id, standard: paidFor }: Pick<StoredCommission, 'id' | 'standard'>,
  units: readonly WorkUnit[],
  now: Date,
): Promise<(WorkFromTheStart & Pick<StandardTotals, 'standard'>)[]> {
  const found: (WorkFromTheStart & Pick<StandardTotals, 'standard'>)[] = [];
  for (const standard of STANDARDS)
    found.push({ standard, ...(await fromTheStart(stores, workshop, { commissionId: id, paidFor, units }, standard, now)) });
  return found;
}
