import { differenceOf, labOf, labOfLinear, lightnessOf } from '../colour/difference';
import type { Mixer } from '../colour/mixing';
import { wholeDrops } from '../colour/wholeDrops';
import type { Paint } from '../scheme/model/definitions';

/** A mix that stands out from the base where a highlight does not. */
export interface ShowingMix {
  parts: [paint: string, drops: number][];
  difference: number;
}

type Colour = Pick<Paint, 'id' | 'hex' | 'kind' | 'strength'>;
const MOST_DROPS = 8;

/**
 * The least that is added of a lighter paint of the shelf so that a highlight is seen on its base: of all mixes of it with a lighter
 * opaque paint that differ from the base by the limit (CIEDE2000), the nearest to it, and of equals the one of fewer drops; null where
 * none does.
 */
export function highlightThatShows(
  base: Pick<Paint, 'hex'>,
  over: Colour,
  shelf: readonly Colour[],
  limit: number,
  mixer: Mixer,
): ShowingMix | null {
  const lighter = shelf.filter((paint) => paint.kind === 'opaque' && paint.id !== over.id && lightnessOf(paint) > lightnessOf(over));
  const lab = labOf(base.hex);
  const ways = wholeDrops(2, MOST_DROPS).sort(([a, b], [c, d]) => a! + b! - (c! + d!));
  let best: ShowingMix | null = null;
  for (const paint of lighter)
    for (const [a, b] of ways) {
      const colour = mixer.mixed([
        { pigment: over, parts: a! },
        { pigment: paint, parts: b! },
      ]);
      const difference = differenceOf(labOfLinear(colour), lab);
      if (difference < limit || (best !== null && difference >= best.difference - 1e-6)) continue;
      best = { parts: [[over.id, a!], [paint.id, b!]], difference }; // prettier-ignore
    }
  return best;
}
