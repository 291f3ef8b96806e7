import type { IntakePicture } from '../../core/views/commission';
import { estimateCommission } from '../estimate/estimateCommission';
import type { Stores } from '../stores';
import { loadPicture } from './loadPicture';

export async function loadIntake(stores: Stores, commissionId: string | undefined, now: Date): Promise<IntakePicture> {
  const picture = await loadPicture(stores, commissionId, now);
  const estimate = await estimateCommission(picture);
  const started = estimate.passes.filter((pass) => pass.modelsLeft < pass.modelsTotal).map((pass) => pass.unitId);
  return { commission: picture.commission, units: picture.units, estimate, startedUnits: [...new Set(started)] };
}
