/** What a cell is sorted by; what nobody knows stands last, either way. */
export type SortValue = string | number | null | undefined;

const collator = new Intl.Collator('en-GB', { numeric: true, sensitivity: 'base' });

/**
 * The rows by a value of each, ascending or descending; rows of the same value stay as they stood.
 *
 * @example sortRows(['b10', 'b9'], (row) => row, false) // ['b9', 'b10']
 */
export function sortRows<Row>(rows: readonly Row[], valueOf: (row: Row) => SortValue, isDown: boolean): Row[] {
  const sign = isDown ? -1 : 1;
  return rows
    .map((row) => ({ row, value: valueOf(row) ?? null }))
    .sort(({ value: a }, { value: b }) => {
      if (a === null || b === null) return Number(a === null) - Number(b === null);
      return sign * (typeof a === 'number' && typeof b === 'number' ? a - b : collator.compare(String(a), String(b)));
    })
    .map(({ row }) => row);
}
