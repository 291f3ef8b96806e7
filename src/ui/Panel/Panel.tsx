import { useId, type ReactNode } from 'react';
import { cx } from '../cx';
import styles from './Panel.module.css';

interface PanelProps {
  title: string;
  aside?: ReactNode;
  /** What an address names it by. */
  anchor?: string;
  className?: string | undefined;
  /** It has a height of its own and scrolls inside, by keyboard too. */
  scrolls?: boolean;
  children: ReactNode;
}

/** A titled part of a view. */
export function Panel({ title, aside, anchor, className, scrolls = false, children }: PanelProps) {
  const id = useId();
  return (
    <section
      id={anchor}
      aria-labelledby={id}
      className={cx(styles.panel, scrolls && styles.scrolls, className)}
      tabIndex={scrolls ? 0 : undefined}
    >
      <header className={styles.head}>
        <h2 id={id}>{title}</h2>
        {aside}
      </header>
      {children}
    </section>
  );
}
