import { benchLineInSteps } from '../../core/bench/guide/benchLine';
import { idleClock } from '../../core/bench/replay/foldClock';
import { openPotUses, type OpenPotUse } from '../../core/bench/guide/openPot';
import { BenchReadiness } from '../../core/bench/guide/readiness';
import { lineTools } from '../../core/plan/build/lineTools';
import { isWaiting } from '../../core/scheme/model/definitions';
import { openModels } from '../../core/scheme/passes/splitTrays';
import { inSlices } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

/** Everything in the open work that could take a paint or mix now or after one drying. */
export async function loadOpenPot(stores: Stores, potId: string, now: Date): Promise<OpenPotUse[]> {
  const workshop = await loadWorkshop(stores, now);
  const line = await inSlices(benchLineInSteps(rosterOf(workshop, workshop.units), []));
  const mayBePainted = new Map(workshop.units.filter(isWaiting).map((unit) => [unit.id, new Set(openModels(unit))]));
  const open = {
    ...line,
    passes: line.passes.map((pass) =>
      mayBePainted.has(pass.unitId)
        ? {
            ...pass,
            dips: pass.dips.map((dip) => ({ ...dip, models: dip.models.filter((model) => mayBePainted.get(pass.unitId)!.has(model)) })),
          }
        : pass,
    ),
  };
  const readiness = new BenchReadiness(open, lineTools(workshop.house), workshop.marks, idleClock());
  return openPotUses(open, readiness, potId, now.getTime());
}
