import { cx } from '../cx';
import styles from './Bar.module.css';

interface BarProps {
  /** Parts of the whole, in the order drawn. */
  parts: { label: string; value: number; look: 'solid' | 'grey' | 'hatch' | 'dots' }[];
  /** Length of the full bar, in the unit of the values. */
  full: number;
  label: string;
}

/** A stacked bar told by texture: solid, grey, hatched, dotted. */
export function Bar({ parts, full, label }: BarProps) {
  return (
    <span className={styles.bar} role="img" aria-label={label}>
      {parts.map((part) => (
        <span
          key={part.label}
          className={cx(styles.part, styles[part.look])}
          style={{ width: `${full > 0 ? (100 * part.value) / full : 0}%` }}
        />
      ))}
    </span>
  );
}
