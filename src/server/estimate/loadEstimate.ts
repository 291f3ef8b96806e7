import type { CommissionEstimate } from '../../core/views/estimate';
import { loadPicture } from '../commissions/loadPicture';
import type { Stores } from '../stores';
import { estimateCommission } from './estimateCommission';

/** The estimate of a commission as the log stands now. */
export async function loadEstimate(stores: Stores, commissionId: string | undefined, now: Date): Promise<CommissionEstimate> {
  return estimateCommission(await loadPicture(stores, commissionId, now));
}
