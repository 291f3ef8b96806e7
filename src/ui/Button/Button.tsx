import type { ButtonHTMLAttributes } from 'react';
import { cx } from '../cx';
import styles from './Button.module.css';

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** `main` for the one thing the view is for, `quiet` for small helpers inside rows. */
  kind?: 'main' | 'plain' | 'quiet';
}

export function Button({ kind = 'plain', className, type = 'button', ...rest }: ButtonProps) {
  return <button type={type} className={cx(styles.button, styles[kind], className)} {...rest} />;
}

interface LinkButtonProps extends React.AnchorHTMLAttributes<HTMLAnchorElement> {
  kind?: 'main' | 'plain' | 'quiet';
}

export function LinkButton({ kind = 'plain', className, ...rest }: LinkButtonProps) {
  return <a className={cx(styles.button, styles[kind], className)} {...rest} />;
}
