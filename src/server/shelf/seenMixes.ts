import { object, type InferType } from 'yup';
import { flattened } from '../../core/colour/flatten';
import { hexColour, id } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { howFarOffSeen } from '../../core/paint/learnStrengths';
import { Mixer } from '../../core/colour/mixing';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { learnAnew } from './savePaint';

export const seenMixSchema = object({ id: id(), unit: id(), mix: id(), hex: hexColour() });

/** What a mix of a unit looked like when it was dry: how strong its paints are is learned from it. Answers with how far off it was, and is. */
export async function sawMix(
  stores: Stores,
  { id: seenId, unit: unitId, mix: mixId, hex }: InferType<typeof seenMixSchema>,
  now: Date,
): Promise<{ before: number; after: number }> {
  const unit = await stores.commissions.findUnit(unitId);
  if (!unit) throw new NotFoundError('This unit is not there any more: reload the page.');
  const mixes = new Map(unit.scheme.mixes.map((mix) => [mix.id, mix]));
  const mix = mixes.get(mixId);
  if (!mix) throw new NotFoundError('This mix is not in the scheme any more: reload the page.');
  const shares = flattened(mix, mixes);
  if (shares.size < 2) throw new InputError('mix', mix.name, 'choose one of two paints at least: of one alone nothing can be learned');
  const seen = { id: seenId, at: now.toISOString(), mix: mix.name, shares: Object.fromEntries(shares), hex };
  return stores.allOrNothing(async ({ paints }) => {
    const before = howFarOffSeen(seen, new Map((await paints.list()).map((paint) => [paint.id, paint])), new Mixer())!.after;
    await paints.addSeen(seen);
    await learnAnew(paints);
    const after = howFarOffSeen(seen, new Map((await paints.list()).map((paint) => [paint.id, paint])), new Mixer())!.after;
    return { before, after };
  });
}

/** Takes back what was said of a mix. */
export async function forgetSeen(stores: Stores, seenId = ''): Promise<void> {
  await stores.allOrNothing(async ({ paints }) => {
    await paints.removeSeen(seenId);
    await learnAnew(paints);
  });
}
