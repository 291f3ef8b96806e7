import type { IntakePicture } from '../../contract/commission';
import { commissionEstimate } from '../plan/benchEstimate';
import type { Stores } from '../stores/stores';
import { findOpenCommission } from '../workshop/loadWorkshop';
import { startedUnits } from '../workshop/startedUnits';

export async function loadIntake(stores: Stores, commissionId: string | undefined, now: Date): Promise<IntakePicture> {
  const { workshop, commission, units } = await findOpenCommission(stores, commissionId, now);
  return {
    commission,
    units,
    removedUnits: await stores.commissions.removedUnits(commission.id),
    estimate: await commissionEstimate(stores, workshop, commission.id, now),
    startedUnits: startedUnits(units, workshop.marks),
    notes: notesOf(units, workshop.marks),
  };
}

function notesOf(units: IntakePicture['units'], { notes }: { notes: IntakePicture['notes'] }): IntakePicture['notes'] {
  const ids = new Set(units.map((unit) => unit.id));
  return notes.filter((note) => note.unit !== null && ids.has(note.unit)).sort((a, b) => b.at - a.at);
}
