import type { ReactNode } from 'react';
import styles from './Wide.module.css';

interface WideProps {
  /** What it is, where nothing in it takes the focus: it takes it itself then, so that keys can move it. */
  label?: string;
  children: ReactNode;
}

/** A table that is wider than a small screen: it moves sideways by itself, and the page stays where it is. */
export const Wide = ({ label, children }: WideProps) => (
  <div className={styles.wide} {...(label !== undefined && { role: 'region', 'aria-label': label, tabIndex: 0 })}>
    {children}
  </div>
);
