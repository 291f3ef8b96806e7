import type { ReactNode } from 'react';
import styles from './Wide.module.css';

/** A table that is wider than a small screen: it moves sideways by itself, and the page stays where it is. */
export const Wide = ({ children }: { children: ReactNode }) => <div className={styles.wide}>{children}</div>;
