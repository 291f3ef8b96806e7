import { SITTING_GAP_MINUTES } from '../../core/bench/foldClock';
import { clock } from '../programTime';
import type { Stores } from '../stores';

const GAP_MS = SITTING_GAP_MINUTES * 60_000;

/**
 * The clock goes on from the last tap at this bench. Taps a little ahead of the computer's clock tell that it was set back since;
 * taps far ahead tell that it was wrong then, and are brought back.
 */
export async function adoptTime({ bench }: Pick<Stores, 'bench'>): Promise<void> {
  const now = clock.now();
  if (((await bench.lastAt()) ?? 0) > now + GAP_MS) await bench.bringBack(now + GAP_MS, now);
  const last = await bench.lastAt();
  if (last !== null) clock.tapped(last);
}
