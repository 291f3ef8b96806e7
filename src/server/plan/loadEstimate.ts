import type { CommissionEstimate } from '../../core/commission/estimate';
import type { Stores } from '../stores/stores';
import { findOpenCommission } from '../workshop/loadWorkshop';
import { commissionEstimate } from './benchEstimate';

/** The estimate of a commission as the log stands now. */
export async function loadEstimate(stores: Stores, commissionId: string | undefined, now: Date): Promise<CommissionEstimate> {
  const { workshop, commission } = await findOpenCommission(stores, commissionId, now);
  return commissionEstimate(stores, workshop, commission.id, now);
}
