import type { ReactNode } from 'react';
import styles from './Working.module.css';

interface WorkingProps {
  /** What is being done, for who listens. */
  label: string;
  /** How much of it is done, 0 to 1; left out where nobody knows. */
  share?: number;
  children?: ReactNode;
}

/** Work that takes a moment: what is done, and after a second a bar that shows that it goes on. */
export function Working({ label, share, children = label }: WorkingProps) {
  return (
    <span className={styles.working}>
      {children}
      <span
        className={styles.bar}
        role="progressbar"
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={share === undefined ? undefined : Math.round(share * 100)}
      >
        <span
          className={share === undefined ? styles.open : styles.done}
          style={share === undefined ? undefined : { width: `${share * 100}%` }}
        />
      </span>
    </span>
  );
}
