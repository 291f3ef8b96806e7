import type { ToBuy } from '../core/paint/buying';
import type { FilmFactors } from '../core/paint/films';
import type { PotLevel, ShelfPaint } from '../core/paint/shelf';
import type { SeenMix } from '../core/paint/learnStrengths';

/** A job of the plan, as a pot is told by it. */
export interface PotJob {
  unit: string;
  commission: string;
  /** Technique and part, in words. */
  what: string;
  /** UTC ms; null where no sessions say when. */
  at: number | null;
}

/** What open work takes of a paint, against what is left in its pot. */
export interface ShelfNeed {
  paintId: string;
  needMl: number;
  byCommission: { id: string; name: string; ml: number }[];
  /** Null where nobody has read the pot. */
  leftMl: number | null;
  /** Where the pot runs dry; null where it does not, or nobody knows. `planned` is null for work that stands on no line yet. */
  dry: { planned: PotJob | null } | null;
  /** The first job that takes it. */
  first: PotJob | null;
  /** Some models carry it already. */
  isBegun: boolean;
}

/** A correction of a mix, with how far the prediction is off. */
export interface SeenMixRow extends SeenMix {
  before: number | null;
  after: number | null;
}

/** What the Shelf is drawn from. */
export interface ShelfPicture {
  paints: ShelfPaint[];
  /** How many units use a paint, by its id. */
  unitsUsing: Record<string, number>;
  needs: ShelfNeed[];
  /** What was read off each pot last. */
  levels: PotLevel[];
  /** What is left now, by the ids of the paints. */
  left: Record<string, number>;
  /** What pots have taught, and how far amounts were foretold off between two looks (ml); null before the second look. */
  factors: FilmFactors;
  foretold: { pairs: number; assumed: number; learned: number } | null;
  seen: SeenMixRow[];
  currency: string;
  /** Open commissions; `of` is the one that needs and buying are of, null for all open work. */
  commissions: { id: string; name: string }[];
  of: string | null;
  toBuy: ToBuy[];
}
