/**
 * The value below which a share (0 to 1) of the sorted values lies, interpolated (Hyndman and Fan 1996, type 7).
 *
 * @example quantile([10, 20, 30, 40], 0.5) // 25
 */
export function quantile(sorted: ArrayLike<number>, share: number): number {
  if (sorted.length === 0) throw new Error('quantile: no values');
  const at = (sorted.length - 1) * share;
  const below = Math.floor(at);
  const above = Math.min(below + 1, sorted.length - 1);
  return sorted[below]! + (at - below) * (sorted[above]! - sorted[below]!);
}
