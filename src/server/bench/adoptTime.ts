import { ulid } from 'ulid';
import type { SteadyClock } from '../../core/bench/replay/SteadyClock';
import { whomToBelieve } from '../../core/bench/replay/doubtedClock';
import { WRITTEN_ON } from '../../data/migrations';
import { NotFoundError } from '../stores/errors';
import { clock } from '../running/programTime';
import type { Stores } from '../stores/stores';

/**
 * The clock goes on from the last tap at this bench, and keeps nothing of the bench of other data. Where taps lie ahead of the computer's
 * clock, it is either behind now, and time goes on from the last tap, or was ahead then, and they are brought back. The next start tells
 * which it was: had it been ahead, what it told would still lie ahead.
 */
export async function adoptTime({ bench }: Pick<Stores, 'bench'>, by: SteadyClock = clock): Promise<void> {
  by.begin();
  await bench.endCorrectedRun();
  const now = by.now();
  const doubtful = await bench.doubtfulCorrection();
  if (doubtful && doubtful.lastAt <= now) await bench.takeBackCorrection(doubtful.id, new Date(now).toISOString());
  else if (doubtful) await bench.confirmCorrection(doubtful.id);
  const around = await bench.tapsAround(now);
  if (around === null) return;
  if (whomToBelieve(around, now, WRITTEN_ON) === 'clock') await bench.bringBack(ulid(now), now);
  by.goOnFrom((await bench.lastAt())!);
}

/** The painter says that the clock was behind when taps were moved back. */
export async function takeBackCorrection({ bench }: Pick<Stores, 'bench'>, id: string | undefined, now: Date): Promise<void> {
  if (!(await bench.takeBackCorrection(id ?? '', now.toISOString())))
    throw new NotFoundError(`There is no correction ${id} of the clock that stands: reload the page.`);
  clock.goOnFrom((await bench.lastAt())!);
}
