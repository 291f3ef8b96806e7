import { useState } from 'react';
import { sortRows, type SortValue } from '../../../core/kernel/sortRows';

export interface SortedBy<Column extends string> {
  column: Column;
  isDown: boolean;
}

/** How a table is sorted, and what a press on the head of a column does. */
export interface Sorting<Column extends string> {
  by: SortedBy<Column> | null;
  press: (column: Column) => void;
}

/** Ascending, then descending, then as it was. */
export const nextSort = <Column extends string>(by: SortedBy<Column> | null, column: Column): SortedBy<Column> | null =>
  by?.column !== column ? { column, isDown: false } : by.isDown ? null : { column, isDown: true };

/** Rows of a table, sorted by the column whose head was pressed; as they come until then. */
export function useSorted<Row, Column extends string>(
  rows: readonly Row[],
  values: Record<Column, (row: Row) => SortValue>,
): { rows: readonly Row[]; sorting: Sorting<Column> } {
  const [by, setBy] = useState<SortedBy<Column> | null>(null);
  return {
    rows: by === null ? rows : sortRows(rows, values[by.column], by.isDown),
    sorting: { by, press: (column) => setBy(nextSort(by, column)) },
  };
}

/** The same where the cells are edited: rows are put in order by the press and then stay, also while what they are sorted by is typed. */
export function useSortedOnce<Row, Column extends string>(
  rows: readonly Row[],
  keyOf: (row: Row) => string,
  values: Record<Column, (row: Row) => SortValue>,
): { rows: readonly Row[]; sorting: Sorting<Column> } {
  const [sorted, setSorted] = useState<{ by: SortedBy<Column>; places: ReadonlyMap<string, number> } | null>(null);
  const press = (column: Column) => {
    const by = nextSort(sorted?.by ?? null, column);
    setSorted(by && { by, places: new Map(sortRows(rows, values[column], by.isDown).map((row, place) => [keyOf(row), place])) });
  };
  return {
    rows: sorted === null ? rows : sortRows(rows, (row) => sorted.places.get(keyOf(row)), false),
    sorting: { by: sorted?.by ?? null, press },
  };
}
