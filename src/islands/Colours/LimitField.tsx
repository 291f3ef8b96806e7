import { useId } from 'react';
import styles from './View.module.css';

interface LimitFieldProps {
  label: string;
  value: number;
  most: number;
  onChange: (value: number) => void;
}

/** A limit of colour difference, CIEDE2000. */
export function LimitField({ label, value, most, onChange }: LimitFieldProps) {
  const id = useId();
  return (
    <span className={styles.limit}>
      <label htmlFor={id}>{label}</label>
      <input id={id} type="range" min={1} max={most} step={1} value={value} onChange={(event) => onChange(Number(event.target.value))} />
      <output htmlFor={id}>{value}</output>
    </span>
  );
}
