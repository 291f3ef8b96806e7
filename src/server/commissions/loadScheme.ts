import type { SchemePicture } from '../../core/views/commission';
import { estimateCommission } from '../estimate/estimateCommission';
import type { Stores } from '../stores';
import { loadPicture } from './loadPicture';

export async function loadScheme(stores: Stores, commissionId: string | undefined, now: Date): Promise<SchemePicture> {
  const picture = await loadPicture(stores, commissionId, now);
  return {
    commission: picture.commission,
    units: picture.units,
    paints: [...picture.paints.values()],
    house: picture.house,
    estimate: await estimateCommission(picture),
  };
}
