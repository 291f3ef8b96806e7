import { DAY_MS, HOUR_MS } from '../../kernel/timeUnits';

/** A clock that is behind the last tap by less is set to local time, or was wrong for a day: the taps are believed. */
const BELIEVED_MS = 36 * HOUR_MS;
/** Between two evenings at the bench. A longer silence before the taps that lie ahead tells that the clock was ahead when they were made. */
const LONGEST_REST_MS = 30 * DAY_MS;

const LONGEST_SITTING_MS = 14 * HOUR_MS;

/** Taps of this bench on both sides of what the computer says is now; UTC ms. */
export interface TapsAround {
  last: number;
  /** The last at or before now; null when all lie ahead. */
  before: number | null;
  /** The first after now; null when none lies ahead. */
  ahead: number | null;
}

/**
 * What to believe when the program starts and taps lie ahead of the computer's clock. `taps`: that clock is behind now, time goes on
 * from the last tap, and nothing is moved. `clock`: it was ahead when those taps were made, they are moved back. `both` where none
 * lies ahead. No clock is right before `earliest`, when this program was written.
 */
export function whomToBelieve({ last, before, ahead }: TapsAround, now: number, earliest: number): 'both' | 'taps' | 'clock' {
  if (ahead === null) return 'both';
  if (last - now <= BELIEVED_MS || now < earliest) return 'taps';
  // Evenings that go on as before tell of a clock that is behind now; a single one, or one after a long silence, of one that was ahead.
  const isOneSitting = last - ahead <= LONGEST_SITTING_MS;
  const isAfterSilence = before !== null && ahead - before >= LONGEST_REST_MS;
  return isOneSitting || isAfterSilence ? 'clock' : 'taps';
}

/**
 * By how much the taps that lie ahead are moved, ms, negative: the last of them to now, or as far as leaves them behind the others,
 * which stay where they are. `ahead` is the first of them.
 */
export const movedBackBy = ({ last, before, ahead }: TapsAround & { ahead: number }, now: number): number =>
  Math.max(now - 1 - last, (before ?? -Infinity) + 1 - ahead);
