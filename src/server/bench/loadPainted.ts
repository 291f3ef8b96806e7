import { benchLineInSteps } from '../../core/bench/guide/benchLine';
import { doneModels } from '../../core/bench/replay/foldMarks';
import type { PaintedUnit } from '../../contract/bench';
import { inSlices } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

/** Everything that is painted of the open commissions, on the line or not, for touching it up; of each unit the latest first. */
export async function loadPainted(stores: Stores, now: Date): Promise<PaintedUnit[]> {
  const workshop = await loadWorkshop(stores, now);
  const lastAt = (key: string) => Math.max(0, ...[...(workshop.marks.marks.get(key)?.values() ?? [])].map(({ at }) => at));
  const { passes } = await inSlices(benchLineInSteps(rosterOf(workshop, workshop.units), []));
  return workshop.units.flatMap(({ id, name, commissionName }) => {
    const painted = passes
      .filter(({ unitId }) => unitId === id)
      .sort((a, b) => lastAt(b.key) - lastAt(a.key))
      .map(({ key, stepId, coat, coats, half, part, technique }) => ({
        ...{ key, stepId, coat, coats, half, part, technique },
        models: [...doneModels(workshop.marks.marks, key)].sort((a, b) => a - b),
      }))
      .filter(({ models }) => models.length > 0);
    return painted.length === 0 ? [] : [{ id, name, commission: commissionName, passes: painted }];
  });
}
