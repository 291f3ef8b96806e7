import type { ShelfPaint } from './shelf';

/** A paint that open work needs more of than there is. */
export interface ToBuy {
  paintId: string;
  name: string;
  maker: string;
  missingMl: number;
  /** Pots to buy; null where nobody has said how much is in one. */
  pots: number | null;
  /** UTC ms of the job in which the pot runs dry; null where no session says when. */
  by: number | null;
  /** Of all pots; null where a price is not known. */
  priceMinor: number | null;
  /** It cannot be bought any more: another has to take its place. */
  discontinued: boolean;
}

interface Need {
  paintId: string;
  needMl: number;
  leftMl: number | null;
  dryAt: number | null;
  isDry: boolean;
}

/** What has to be bought for the work ahead, the soonest first; what has no day comes last. Pots that are spoilt are as empty ones. */
export function toBuy(needs: readonly Need[], shelf: readonly ShelfPaint[]): ToBuy[] {
  const byId = new Map(shelf.map((paint) => [paint.id, paint]));
  return needs
    .flatMap(({ paintId, needMl, leftMl, dryAt, isDry }): ToBuy[] => {
      const paint = byId.get(paintId);
      if (!paint || !isDry) return [];
      const missingMl = needMl - (leftMl ?? 0);
      const pots = paint.volumeMl === null ? null : Math.max(1, Math.ceil(missingMl / paint.volumeMl - 1e-9));
      const priceMinor = pots === null || paint.priceMinor === null ? null : pots * paint.priceMinor;
      return [{ paintId, name: paint.name, maker: paint.maker, missingMl, pots, by: dryAt, priceMinor, discontinued: paint.discontinued }];
    })
    .sort((a, b) => (a.by ?? Infinity) - (b.by ?? Infinity) || (a.name < b.name ? -1 : 1));
}
