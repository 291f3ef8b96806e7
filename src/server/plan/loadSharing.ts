import { array, object, type InferType } from 'yup';
import { sharingOf, twinPrice } from '../../core/plan/choices/sharing';
import { id, list } from '../../core/formats/fields';
import { approved } from '../../core/scheme/model/definitions';
import type { SharingPicture, TwinsPicture } from '../../contract/colours';
import type { Stores } from '../stores/stores';
import { lineLeft } from '../workshop/builtLine';
import { loadWorkshop, type Workshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

const allWork = async (workshop: Workshop) => {
  const units = workshop.units.map(approved);
  return { roster: rosterOf(workshop, units), built: await lineLeft(workshop, units) };
};

/** All open work planned together and unit by unit; null when nothing is left to paint. */
export async function loadSharing(stores: Stores, _input: null, now: Date): Promise<SharingPicture | null> {
  const { built } = await allWork(await loadWorkshop(stores, now));
  if (built.jobs.length === 0) return null;
  const { together, apart } = sharingOf(built);
  const paints = new Set([...together.openings.keys(), ...apart.openings.keys()]);
  return {
    together: { bench: together.bench, legs: together.legs },
    apart: { bench: apart.bench, legs: apart.legs },
    openings: [...paints].map((paint) => [paint, together.openings.get(paint) ?? 0, apart.openings.get(paint) ?? 0]),
  };
}

/** So many pairs are priced at once, the nearest. */
const MOST_PRICED = 12;
export const twinsSchema = object({ pairs: list(array(id()).length(2).required(), MOST_PRICED) });

/** What one paint for two brings, for each pair: the first of a pair stays. */
export async function priceTwins(stores: Stores, { pairs }: InferType<typeof twinsSchema>, now: Date): Promise<TwinsPicture> {
  const { roster, built } = await allWork(await loadWorkshop(stores, now));
  if (built.jobs.length === 0) return { prices: [] };
  const { together } = sharingOf(built);
  return {
    prices: pairs.map(([keep, replace]) => {
      const { plan: _plan, ...price } = twinPrice(roster, together, keep!, replace!);
      return price;
    }),
  };
}
