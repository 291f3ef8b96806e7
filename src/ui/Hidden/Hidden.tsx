import type { ReactNode } from 'react';
import styles from './Hidden.module.css';

/** Words for who listens to the page; not drawn. */
export const Hidden = ({ children }: { children: ReactNode }) => <span className={styles.hidden}>{children}</span>;
