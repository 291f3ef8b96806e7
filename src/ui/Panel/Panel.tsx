import { useId, type ReactNode } from 'react';
import { cx } from '../cx';
import styles from './Panel.module.css';

interface PanelProps {
  title: string;
  aside?: ReactNode;
  className?: string | undefined;
  children: ReactNode;
}

/** A titled part of a view. */
export function Panel({ title, aside, className, children }: PanelProps) {
  const id = useId();
  return (
    <section aria-labelledby={id} className={cx(styles.panel, className)}>
      <header className={styles.head}>
        <h2 id={id}>{title}</h2>
        {aside}
      </header>
      {children}
    </section>
  );
}
