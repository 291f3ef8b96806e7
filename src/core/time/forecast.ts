import { quantile } from './quantile';

/** Bench minutes a commission still needs. */
export interface MinutesLeft {
  likely: number;
  safe: number;
  /** The middle and the 0.8 quantile of these draws, one for each simulated course of the work. */
  draws: Float64Array;
}

/** Simulated hands-on minutes, with the minutes of the plan that are not hands-on (changeover, wait, touch-up) added to each. */
export function minutesLeft(handsOnDraws: Float64Array, overheadMinutes: number): MinutesLeft {
  const draws = handsOnDraws.map((minutes) => minutes + overheadMinutes);
  const sorted = draws.slice().sort();
  return { likely: quantile(sorted, 0.5), safe: quantile(sorted, 0.8), draws };
}

export type Standing = 'done' | 'fits' | 'tight' | 'short';

export interface DateOutlook {
  standing: Standing;
  /** Share of the simulated courses that meet the date. */
  chance: number;
  /** Bench minutes in the sessions before the date. */
  sessionMinutes: number;
  /** Likely minutes of earlier-due commissions that use the same sessions. */
  queuedMinutes: number;
}

/** At least this chance counts as fitting; below the lower one as short. */
const FITS_CHANCE = 0.8;
const SHORT_CHANCE = 0.2;

/**
 * Can each commission meet its date? The sessions are shared: work that is due earlier is done first.
 * Expects the commissions in the order of their dates; draws of one index belong to the same simulated course.
 */
export function outlook(commissions: readonly { left: MinutesLeft; sessionMinutes: number }[]): DateOutlook[] {
  const queued = new Float64Array(commissions[0]?.left.draws.length ?? 0);
  return commissions.map(({ left, sessionMinutes }) => {
    const queuedMinutes = queued.length > 0 ? quantile(queued.slice().sort(), 0.5) : 0;
    let met = 0;
    left.draws.forEach((minutes, draw) => {
      queued[draw]! += minutes;
      if (queued[draw]! <= sessionMinutes) met++;
    });
    const chance = met / Math.max(1, left.draws.length);
    return { standing: standingOf(left.likely, chance), chance, sessionMinutes, queuedMinutes };
  });
}

function standingOf(likely: number, chance: number): Standing {
  if (likely === 0) return 'done';
  if (chance >= FITS_CHANCE) return 'fits';
  return chance >= SHORT_CHANCE ? 'tight' : 'short';
}
