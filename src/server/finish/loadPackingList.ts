import { leavesBy } from '../../core/finish/parcelDays';
import { modelsIn, packingOf } from '../../core/finish/packing';
import { localDay } from '../../core/kernel/localDay';
import type { PackingList } from '../../contract/finish';
import { findPriced } from '../money/loadMoney';
import type { Stores } from '../stores/stores';

/** What lies in which box, unit by unit and layer by layer, and what goes back. */
export async function loadPackingList(stores: Stores, id: string | undefined, now: Date): Promise<PackingList> {
  const { workshop, commission, units } = await findPriced(stores, id, now);
  const { finishing } = await stores.finishing.load(commission.id);
  const nameOf = new Map((await stores.commissions.allUnits(commission.id)).map((unit) => [unit.id, unit.name]));
  return {
    name: commission.name,
    client: commission.client,
    painter: workshop.house.painter,
    on: localDay(now),
    leavesBy: leavesBy(commission.dueOn, finishing.delivery),
    carrier: finishing.delivery.carrier,
    customs: finishing.delivery.customs,
    boxes: finishing.boxes.map((box) => ({
      name: box.name,
      models: modelsIn(box),
      layers: box.layers.map(({ unitId, models }) => ({ unit: nameOf.get(unitId) ?? 'a unit that was taken out', models })),
    })),
    units: units.map((unit) => {
      const { name, promised, owned, packed, notSent, notSentNote, unpacked } = packingOf(unit, finishing.boxes);
      return { name, promised, owned, packed, notSent, note: notSentNote, unpacked };
    }),
    returns: finishing.returns,
  };
}
