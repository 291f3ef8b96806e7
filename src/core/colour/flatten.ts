/** A share of a mix: a paint, or a mix that is flattened too. */
type Share = { paint: string; parts: number } | { mix: string; parts: number };

/**
 * How much of a mix each paint is, by its id, together 1: mixes in it are taken apart down to their paints, so the way it was made does not
 * matter. What is not known, or is made of itself, is left out; thinner counts for nothing.
 *
 * @example flattened({ of: [{ paint: 'sea', parts: 3 }, { paint: 'foam', parts: 1 }] }, new Map()) // new Map([['sea', 0.75], ['foam', 0.25]])
 */
export function flattened(mix: { of: readonly Share[] }, mixes: ReadonlyMap<string, { of: readonly Share[] }>): Map<string, number> {
  return sharesOf(mix, mixes, new Set());
}

function sharesOf(
  mix: { of: readonly Share[] },
  mixes: ReadonlyMap<string, { of: readonly Share[] }>,
  above: ReadonlySet<object>,
): Map<string, number> {
  const shares = new Map<string, number>();
  let whole = 0;
  const add = (paint: string, amount: number) => shares.set(paint, (shares.get(paint) ?? 0) + amount);
  for (const share of mix.of) {
    if ('paint' in share) {
      add(share.paint, share.parts);
      whole += share.parts;
      continue;
    }
    const parent = mixes.get(share.mix);
    if (!parent || parent === mix || above.has(parent)) continue;
    const inside = sharesOf(parent, mixes, new Set([...above, mix]));
    if (inside.size === 0) continue;
    for (const [paint, amount] of inside) add(paint, amount * share.parts);
    whole += share.parts;
  }
  return new Map([...shares].map(([paint, amount]) => [paint, amount / whole]));
}
