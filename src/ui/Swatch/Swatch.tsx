import { cx } from '../cx';
import styles from './Swatch.module.css';

interface SwatchProps {
  /** Colour of the paint, or null for a step without paint. */
  hex: string | null;
  size?: 'small' | 'large';
  /** Metal, wash and varnish are told apart by texture, not by hue. */
  kind?: string | null;
}

/** A chip of paint on a neutral surround. Decorative: the name of the paint always stands beside it. */
export function Swatch({ hex, kind, size = 'small' }: SwatchProps) {
  return (
    <span
      aria-hidden="true"
      className={cx(
        styles.swatch,
        styles[size],
        hex === null && styles.none,
        kind === 'metallic' && styles.metallic,
        kind === 'wash' && styles.wash,
      )}
      style={hex === null ? undefined : { backgroundColor: hex }}
    />
  );
}
