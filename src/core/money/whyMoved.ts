import type { Offer, PricedWork } from './definitions';
import { minutesPrice } from './priceWork';

/** Why a price is another one than that of a quote, in minor units; the parts add up to the difference. */
export interface PriceMove {
  totalMinor: number;
  /** Other hours for the same units, at the rate of the quote. */
  hoursMinor: number;
  /** Units that came or went. */
  unitsMinor: number;
  materialsMinor: number;
  /** Rate, chance, other work, discount, minimum, rounding. */
  termsMinor: number;
  /** The unit whose likely minutes moved most; null where none did by a whole minute. */
  most: { name: string; before: number; now: number } | null;
}

/**
 * What moved a price since an offer. Hours are compared as the offer priced them: at its own chance, which `then` says for the work
 * of today (`priceWork` of today's units under the terms of the offer).
 */
export function whyMoved(offer: Offer, then: PricedWork, now: PricedWork): PriceMove {
  const totalMinor = now.totalMinor - offer.price.totalMinor;
  const rate = { hourlyRateMinor: offer.hourlyRateMinor };
  const net = 1 - offer.terms.discountShare;
  const before = new Map(offer.price.units.map((unit) => [unit.unitId, unit.safe]));
  const sumSafe = (units: PricedWork['units']) => units.reduce((sum, { safe }) => sum + safe, 0);
  // What is quoted for all together is less than for each alone: units bear it by their own hours.
  const together = (price: PricedWork) => (sumSafe(price.units) > 0 ? price.quoted / sumSafe(price.units) : 1);
  const stayed = then.units.filter(({ unitId }) => before.has(unitId));
  const hours = sumSafe(stayed) * together(then) - stayed.reduce((sum, { unitId }) => sum + before.get(unitId)!, 0) * together(offer.price);
  const hoursMinor = Math.round(minutesPrice(hours, rate) * net);
  const unitsMinor = Math.round(minutesPrice(then.quoted - offer.price.quoted - hours, rate) * net);
  const materialsMinor = now.materialsMinor - offer.price.materialsMinor;
  return {
    totalMinor,
    hoursMinor,
    unitsMinor,
    materialsMinor,
    termsMinor: totalMinor - hoursMinor - unitsMinor - materialsMinor,
    most: mostMoved(offer.price.units, stayed),
  };
}

function mostMoved(before: PricedWork['units'], now: PricedWork['units']): PriceMove['most'] {
  const likely = new Map(before.map((unit) => [unit.unitId, unit.likely]));
  const moved = now
    .map((unit) => ({ name: unit.name, before: likely.get(unit.unitId)!, now: unit.likely }))
    .sort((a, b) => Math.abs(b.now - b.before) - Math.abs(a.now - a.before));
  const [most] = moved;
  return most && Math.abs(most.now - most.before) >= 1 ? most : null;
}
