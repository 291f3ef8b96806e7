import type { ReactNode } from 'react';
import { SelectField } from '../../ui/Field/Field';
import styles from './MatchColumns.module.css';

const NONE = '';
const SHOWN = 12;

interface MatchColumnsProps<C extends string> {
  header: readonly string[];
  /** What a column may say, with its label, in the order asked. */
  labels: Readonly<Record<C, string>>;
  /** Place of the column that says it; null where none does. */
  columns: Readonly<Record<C, number | null>>;
  onChange: (columns: Record<C, number | null>) => void;
  bad: readonly { line: number; column: string; message: string }[];
  /** What would be taken, each as it is shown. */
  good: readonly ReactNode[];
}

/** Which column of a list says what; below it what is wrong, line by line, and what would be taken. */
export function MatchColumns<C extends string>({ header, labels, columns, onChange, bad, good }: MatchColumnsProps<C>) {
  return (
    <>
      <div className={styles.mapping}>
        {(Object.keys(labels) as C[]).map((column) => (
          <SelectField
            key={column}
            label={labels[column]}
            value={columns[column] === null ? NONE : String(columns[column])}
            options={[
              { value: NONE, label: 'no column' },
              ...header.map((title, place) => ({ value: String(place), label: title || `column ${place + 1}` })),
            ]}
            onChange={(place) => onChange({ ...columns, [column]: place === NONE ? null : Number(place) })}
          />
        ))}
      </div>
      {bad.length > 0 && (
        <ul className={styles.rows} data-testid="bad-rows">
          {bad.slice(0, SHOWN).map(({ line, column, message }) => (
            <li key={`${line} ${column}`}>
              Line {line}, {column} {message}.
            </li>
          ))}
          {bad.length > SHOWN && <li>And {bad.length - SHOWN} more.</li>}
        </ul>
      )}
      <ul className={styles.rows} data-testid="good-rows">
        {good.slice(0, SHOWN).map((row, index) => (
          <li key={index}>{row}</li>
        ))}
        {good.length > SHOWN && <li>And {good.length - SHOWN} more.</li>}
      </ul>
    </>
  );
}
