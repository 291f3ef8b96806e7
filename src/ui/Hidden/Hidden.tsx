import type { ReactNode } from 'react';
import styles from './Hidden.module.css';

/** Words for who listens to the page; not drawn. */
export const Hidden = ({ children, role }: { children: ReactNode; role?: 'status' }) => (
  <span className={styles.hidden} role={role}>
    {children}
  </span>
);
