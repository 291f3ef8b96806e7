/**
 * The least sum of one entry from every row and every column of a square matrix, by shortest augmenting paths
 * (the Hungarian method with potentials: Kuhn 1955, Jonker and Volgenant 1987); O(n^3). Entries are row-major, finite or Infinity; Infinity when nothing fits.
 */
export function cheapestAssignment(cost: ArrayLike<number>, n: number): number {
  const rowPotential = new Float64Array(n + 1);
  const columnPotential = new Float64Array(n + 1);
  // Row of each column, 1-based; column 0 is where the row to be placed stands.
  const rowOf = new Int32Array(n + 1);
  const way = new Int32Array(n + 1);
  for (let row = 1; row <= n; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(n + 1).fill(Infinity);
    const used = new Uint8Array(n + 1);
    while (rowOf[column] !== 0) {
      used[column] = 1;
      const current = rowOf[column]!;
      let delta = Infinity;
      let next = 0;
      for (let other = 1; other <= n; other++) {
        if (used[other]) continue;
        const reduced = cost[(current - 1) * n + other - 1]! - rowPotential[current]! - columnPotential[other]!;
        if (reduced < least[other]!) {
          least[other] = reduced;
          way[other] = column;
        }
        if (least[other]! < delta) {
          delta = least[other]!;
          next = other;
        }
      }
      if (delta === Infinity) return Infinity;
      for (let other = 0; other <= n; other++) {
        if (used[other]) {
          rowPotential[rowOf[other]!]! += delta;
          columnPotential[other]! -= delta;
        } else least[other]! -= delta;
      }
      column = next;
    }
    for (; column !== 0; column = way[column]!) rowOf[column] = rowOf[way[column]!]!;
  }
  let sum = 0;
  for (let column = 1; column <= n; column++) sum += cost[(rowOf[column]! - 1) * n + column - 1]!;
  return sum;
}
