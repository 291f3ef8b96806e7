import type { ReactNode } from 'react';
import { cx } from '../../../ui/cx';
import { ArrowDown, ArrowUp } from '../../../ui/icons';
import type { Sorting } from './useSorted';
import styles from './SortHead.module.css';

interface SortHeadProps<Column extends string> {
  sorting: Sorting<Column>;
  by: Column;
  className?: string | undefined;
  children: ReactNode;
}

/** The head of a column that the table can be sorted by. */
export function SortHead<Column extends string>({ sorting: { by, press }, by: column, className, children }: SortHeadProps<Column>) {
  const isBy = by?.column === column;
  return (
    <th scope="col" className={className} aria-sort={isBy ? (by.isDown ? 'descending' : 'ascending') : undefined}>
      <button type="button" className={cx(styles.head, isBy && styles.by)} onClick={() => press(column)}>
        {children}
        {isBy && (by.isDown ? <ArrowDown aria-hidden="true" size={12} /> : <ArrowUp aria-hidden="true" size={12} />)}
      </button>
    </th>
  );
}
