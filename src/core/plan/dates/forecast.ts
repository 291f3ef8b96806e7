import { MINUTE_MS } from '../../kernel/timeUnits';
import type { JobShare } from '../build/lineFigures';
import { quantile } from '../../kernel/quantile';

/**
 * What is safe for work that a plan makes of: its hands-on minutes as simulated (`draws`), and around them the plan's. Medians add up to
 * less than the median of a sum, so this is taken from the draws as they are. Never less than the plan itself.
 */
export function safeMinutes({ handsOn, setUp, waiting, touchUp }: JobShare, draws: Float64Array): number {
  const around = setUp + waiting + touchUp;
  const simulated = draws.length === 0 ? 0 : quantile(draws.slice().sort(), SAFE_SHARE);
  return around + Math.max(handsOn, simulated);
}

export type Standing = 'done' | 'fits' | 'tight' | 'short';

export interface DateOutlook extends DoneDates {
  standing: Standing;
  /** Bench minutes in the sessions before the date. */
  sessionMinutes: number;
  /** Likely minutes of the work that the bench does before it. */
  queuedMinutes: number;
}

/** When something is done by an order that was timed under draws. */
export interface DoneDates {
  /** Share of the draws that meet the date. */
  chance: number;
  /** By the plan, and in four draws of five; UTC ms, null where no sessions hold the work. */
  likelyAt: number | null;
  safeAt: number | null;
}

const SAFE_SHARE = 0.8;

/** Ends in each draw, by the plan (`end`) and due (`at`), all in minutes from `origin` (UTC ms; null where minutes are no moments). */
export function doneDates(ends: Float64Array, end: number, at: number, origin: number | null): DoneDates {
  const safe = quantile(ends.slice().sort(), SAFE_SHARE);
  const isKnown = origin !== null && safe < Infinity;
  return {
    chance: ends.filter((each) => each <= at).length / ends.length,
    likelyAt: origin === null ? null : origin + end * MINUTE_MS,
    // The plan is one of the draws that might be: what is safe is never before it.
    safeAt: isKnown ? origin + Math.max(end, safe) * MINUTE_MS : null,
  };
}

/** What a pass takes in each draw, as a factor on what it takes in the middle one. */
export function drawFactors(minutes: Float64Array): Float64Array {
  const middle = minutes.length === 0 ? 0 : quantile(minutes.slice().sort(), 0.5);
  return middle > 0 ? minutes.map((each) => each / middle) : new Float64Array(minutes.length).fill(1);
}

/** How many times the likely minutes are safe, over all work together; at least 1. Draws as `TimeModel.simulate` gives them. */
export function safeRatio(draws: readonly Float64Array[]): number {
  const total = new Float64Array(draws[0]?.length ?? 0);
  for (const minutes of draws) minutes.forEach((each, draw) => (total[draw]! += each));
  const sorted = total.sort();
  const middle = sorted.length === 0 ? 0 : quantile(sorted, 0.5);
  return middle > 0 ? Math.max(1, quantile(sorted, SAFE_SHARE) / middle) : 1;
}

/** At least this chance counts as fitting, and a date as safe; below the lower one as short. */
export const FITS_CHANCE = 0.8;
const SHORT_CHANCE = 0.2;

/** Where a commission with so many likely minutes left stands with its date. */
export function standingOf(likely: number, chance: number): Standing {
  if (likely === 0) return 'done';
  if (chance >= FITS_CHANCE) return 'fits';
  return chance >= SHORT_CHANCE ? 'tight' : 'short';
}
