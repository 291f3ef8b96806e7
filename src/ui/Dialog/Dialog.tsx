import { useId, type ReactNode, type RefObject } from 'react';
import styles from './Dialog.module.css';

interface DialogProps {
  ref: RefObject<HTMLDialogElement | null>;
  title: string;
  /** The buttons at its end. */
  tools: ReactNode;
  children: ReactNode;
}

/** A question laid over the page; opened and closed by its ref. */
export function Dialog({ ref, title, tools, children }: DialogProps) {
  const id = useId();
  return (
    <dialog ref={ref} className={styles.dialog} aria-labelledby={id}>
      <h2 id={id}>{title}</h2>
      {children}
      <span className={styles.tools}>{tools}</span>
    </dialog>
  );
}
