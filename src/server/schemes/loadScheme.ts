import { allSteps } from '../../core/scheme/model/allSteps';
import { stepOfKey } from '../../core/scheme/model/halves';
import type { PaintedModels, SchemePicture } from '../../contract/commission';
import type { PassEstimates } from '../../core/commission/estimate';
import { passEstimates } from '../plan/benchEstimate';
import type { Stores } from '../stores/stores';
import { findOpenCommission, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';

export async function loadScheme(stores: Stores, commissionId: string | undefined, now: Date): Promise<SchemePicture> {
  const { workshop, commission, units } = await findOpenCommission(stores, commissionId, now);
  return {
    commission,
    units,
    paints: [...workshop.paints.values()],
    house: workshop.house,
    estimate: passEstimates(workshop, units),
    painted: paintedModels(units, workshop),
    revisions: await stores.revisions.ofUnits(units.map((unit) => unit.id)),
    hasPrice:
      (await stores.quotes.terms(commission.id)).terms.ownPriceMinor !== null ||
      (await stores.quotes.ofCommission(commission.id)).length > 0,
    removed: await stores.commissions.removedPieces(units.map((unit) => unit.id)),
  };
}

/** What its passes take, as they stand. */
export async function loadPasses(stores: Stores, commissionId: string | undefined, now: Date): Promise<PassEstimates> {
  const { workshop, units } = await findOpenCommission(stores, commissionId, now);
  return passEstimates(workshop, units);
}

/** What is painted of a commission, pass by pass. */
export async function loadPainted(stores: Stores, commissionId: string | undefined, now: Date): Promise<PaintedModels[]> {
  const { workshop, units } = await findOpenCommission(stores, commissionId, now);
  return paintedModels(units, workshop);
}

function paintedModels(units: readonly WorkUnit[], { marks }: Workshop): PaintedModels[] {
  const steps = new Set(units.flatMap(({ scheme }) => allSteps(scheme)).map((step) => step.id));
  return [...marks.marks]
    .filter(([key, models]) => models.size > 0 && steps.has(stepOfKey(key)))
    .map(([passKey, models]) => ({ passKey, models: [...models.keys()].sort((a, b) => a - b) }));
}
