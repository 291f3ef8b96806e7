import type { StoredPaint } from '../scheme/model/definitions';
import type { FilmFactors, FilmKind } from './films';

/** What is known of a paint's pot beside its colour. */
export interface PotFacts {
  /** As the painter writes it; empty while nobody has said. */
  maker: string;
  /** Of a new pot, in millilitres. */
  volumeMl: number | null;
  /** A day (2026-11-30). */
  openedOn: string | null;
  /** Of a new pot, in minor units of the painter's currency. */
  priceMinor: number | null;
  /** It cannot be bought any more. */
  discontinued: boolean;
  spoilt: boolean;
  /** Where it stands in the rack. */
  place: string;
}

/** A pot of which nothing was written down. */
export const UNKNOWN_POT: PotFacts = {
  maker: '',
  volumeMl: null,
  openedOn: null,
  priceMinor: null,
  discontinued: false,
  spoilt: false,
  place: '',
};

/** What most pots hold that are sold for this work, in millilitres: only until the painter has said. */
const USUAL_POT_ML = 17;

/** What is read in tenths is read of this. */
export const fullMl = ({ volumeMl }: Pick<PotFacts, 'volumeMl'>): number => volumeMl ?? USUAL_POT_ML;

/** A paint as it stands on the shelf. */
export type ShelfPaint = StoredPaint & PotFacts;

/** How much was left in a pot when the painter looked. */
export interface PotLevel {
  id: string;
  paintId: string;
  /** UTC ISO 8601. */
  at: string;
  ml: number;
  /** Read in tenths by eye, not measured. */
  byEye: boolean;
}

/** Something that was taken out of a pot. */
export interface PaintUsed {
  paintId: string;
  /** UTC ms. */
  at: number;
  /** As assumed before anything was learned. */
  ml: number;
  /** Null for what stays on the palette: that is not learned. */
  kind: FilmKind | null;
}

/** With what its kind has taught. */
export const usedMl = ({ ml, kind }: PaintUsed, factors: FilmFactors): number => ml * (kind === null ? 1 : (factors[kind] ?? 1));

/**
 * What is left in each pot now, by the ids of the paints: what was read off it last, less what was painted with it since; never below
 * nothing. Pots that nobody has read are left out.
 */
export function leftNow(levels: readonly PotLevel[], used: readonly PaintUsed[], factors: FilmFactors): Map<string, number> {
  const left = new Map<string, number>();
  const since = new Map<string, number>();
  for (const { paintId, at, ml } of levels) {
    const read = Date.parse(at);
    if (read < (since.get(paintId) ?? -Infinity)) continue;
    since.set(paintId, read);
    left.set(paintId, ml);
  }
  for (const use of used) {
    const before = left.get(use.paintId);
    if (before !== undefined && use.at > since.get(use.paintId)!) left.set(use.paintId, before - usedMl(use, factors));
  }
  return new Map([...left].map(([paint, ml]) => [paint, Math.max(0, ml)]));
}
