import { useId } from 'react';
import styles from './MatchColumns.module.css';

interface PastedRowsProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

/** Rows as they were copied from a spreadsheet, or typed. */
export function PastedRows({ label, value, onChange }: PastedRowsProps) {
  const id = useId();
  return (
    <div className={styles.pasted}>
      <label htmlFor={id}>{label}</label>
      <textarea id={id} rows={4} value={value} onChange={(event) => onChange(event.target.value)} />
    </div>
  );
}
