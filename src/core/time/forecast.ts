import { quantile } from './quantile';

/** How much more than likely is safe: from the middle to the 0.8 quantile of simulated minutes. */
export function safetyMinutes(draws: Float64Array): number {
  if (draws.length === 0) return 0;
  const sorted = draws.slice().sort();
  return quantile(sorted, 0.8) - quantile(sorted, 0.5);
}

/** Simulated minutes moved so that their middle is what the plan says. */
export function aroundLikely(draws: Float64Array, likely: number): Float64Array {
  const middle = draws.length === 0 ? 0 : quantile(draws.slice().sort(), 0.5);
  return draws.map((minutes) => minutes - middle + likely);
}

export type Standing = 'done' | 'fits' | 'tight' | 'short';

export interface DateOutlook {
  standing: Standing;
  /** Share of the simulations that meet the date. */
  chance: number;
  /** Bench minutes in the sessions before the date. */
  sessionMinutes: number;
  /** Likely minutes of the work that the bench does before it. */
  queuedMinutes: number;
}

/** At least this chance counts as fitting; below the lower one as short. */
const FITS_CHANCE = 0.8;
const SHORT_CHANCE = 0.2;

/** Can a date be met? `doneAfter` are bench minutes until the work is done, one for each simulation, what comes before it included. */
export function outlook(doneAfter: Float64Array, likely: number, sessionMinutes: number, queuedMinutes: number): DateOutlook {
  const chance = doneAfter.filter((minutes) => minutes <= sessionMinutes).length / Math.max(1, doneAfter.length);
  return { standing: standingOf(likely, chance), chance, sessionMinutes, queuedMinutes };
}

function standingOf(likely: number, chance: number): Standing {
  if (likely === 0) return 'done';
  if (chance >= FITS_CHANCE) return 'fits';
  return chance >= SHORT_CHANCE ? 'tight' : 'short';
}
