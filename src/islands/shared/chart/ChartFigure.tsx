import type { ReactNode } from 'react';
import styles from './ChartFigure.module.css';

export type Look = 'solid' | 'grey' | 'pale' | 'hatch' | 'dots' | 'line' | 'dash' | 'dot' | 'band';

interface ChartFigureProps {
  /** What the chart says, in a sentence. */
  answer: ReactNode;
  /** What each look stands for. */
  legend?: readonly { look: Look; label: string }[];
  /** What else is to be known of it. */
  note?: ReactNode;
  testId?: string;
  children: ReactNode;
}

/** A chart under its answer, with the key to what is drawn: nothing has to be pointed at to be read. */
export function ChartFigure({ answer, legend = [], note, testId, children }: ChartFigureProps) {
  return (
    <figure className={styles.figure}>
      <p className={styles.answer} data-testid={testId}>
        {answer}
      </p>
      {legend.length > 0 && <Legend legend={legend} />}
      {children}
      {note && <figcaption>{note}</figcaption>}
    </figure>
  );
}

export const Legend = ({ legend }: { legend: readonly { look: Look; label: string }[] }) => (
  <ul className={styles.legend} aria-label="Key">
    {legend.map(({ look, label }) => (
      <li key={label} data-look={look}>
        {label}
      </li>
    ))}
  </ul>
);
