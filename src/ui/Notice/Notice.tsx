import type { ReactNode } from 'react';
import { cx } from '../cx';
import styles from './Notice.module.css';

interface NoticeProps {
  /** `flag` asks for something, `caution` is about safety, `plain` only tells. */
  kind?: 'plain' | 'flag' | 'caution';
  role?: 'status' | 'alert';
  children: ReactNode;
}

export function Notice({ kind = 'plain', role, children }: NoticeProps) {
  return (
    <div className={cx(styles.notice, styles[kind])} role={role}>
      {children}
    </div>
  );
}
