import type { UnitAmounts } from './amounts';
import { NOTHING_ML } from './stock';
import type { ShelfPaint } from './shelf';

/** A pot that does not hold what work takes of it. */
export interface ShortPaint extends Pick<ShelfPaint, 'id' | 'name' | 'hex' | 'kind' | 'discontinued'> {
  missingMl: number;
}

/** Paints known to be short of what some units take, however they are planned; `left` is ml by the ids of the paints. The most missing first. */
export function shortPaints(
  shelf: readonly ShelfPaint[],
  left: ReadonlyMap<string, number>,
  amounts: readonly Pick<UnitAmounts, 'paints'>[],
): ShortPaint[] {
  const need = (id: string) => amounts.reduce((sum, { paints }) => sum + (paints.get(id) ?? 0), 0);
  return shelf
    .filter(({ id }) => left.has(id))
    .map(({ id, name, hex, kind, discontinued }) => ({ id, name, hex, kind, discontinued, missingMl: need(id) - left.get(id)! }))
    .filter(({ missingMl }) => missingMl > NOTHING_ML)
    .sort((a, b) => b.missingMl - a.missingMl);
}
