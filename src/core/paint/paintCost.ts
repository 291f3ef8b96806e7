import type { ShelfPaint } from './shelf';

/** What the paint of a job costs, by the prices of new pots. */
export interface PaintCost {
  /** Of what is used, from the first model to the last. */
  usedMinor: number;
  /** Of whole pots that have to be bought for what is left of this job alone. */
  potsMinor: number;
  pots: { name: string; count: number }[];
  /** Names of paints it takes of which the price or the size of a pot is not known. */
  unpriced: string[];
}

/**
 * `whole` is what the job takes in all and `open` what it still takes, in millilitres by the ids of the paints; `left` what is in the pots
 * that were read.
 */
export function paintCost(
  whole: ReadonlyMap<string, number>,
  open: ReadonlyMap<string, number>,
  shelf: readonly ShelfPaint[],
  left: ReadonlyMap<string, number>,
): PaintCost {
  const cost: PaintCost = { usedMinor: 0, potsMinor: 0, pots: [], unpriced: [] };
  for (const { id, name, volumeMl, priceMinor } of shelf) {
    const ml = whole.get(id) ?? 0;
    if (ml === 0) continue;
    if (volumeMl === null || priceMinor === null) {
      cost.unpriced.push(name);
      continue;
    }
    cost.usedMinor += (ml / volumeMl) * priceMinor;
    const missing = left.has(id) ? (open.get(id) ?? 0) - left.get(id)! : 0;
    if (missing <= 0) continue;
    const count = Math.ceil(missing / volumeMl - 1e-9);
    cost.potsMinor += count * priceMinor;
    cost.pots.push({ name, count });
  }
  return { ...cost, usedMinor: Math.round(cost.usedMinor) };
}
