/** SQLite takes so many values in one statement; lists are asked for in pieces. */
const MOST_VALUES = 500;

export function inPieces<T>(values: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(values.length / MOST_VALUES) }, (_, index) =>
    values.slice(index * MOST_VALUES, (index + 1) * MOST_VALUES),
  );
}
