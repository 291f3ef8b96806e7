/** The log must grow by this share before its spreads are learned anew. */
const GROWTH = 1.15;
const FIRST = 20;

/**
 * From how many of the first rows of a log the spreads are learned: a number that follows from its length alone, so that the same
 * log gives the same figures whatever way it came to be. In between a fit moves by what the rows say and by nothing else.
 */
export function learnedFrom(rows: number): number {
  if (rows < FIRST) return 0;
  let size = FIRST;
  for (;;) {
    const next = Math.ceil(size * GROWTH);
    if (next > rows) return size;
    size = next;
  }
}
