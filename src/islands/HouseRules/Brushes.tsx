import { useId } from 'react';
import styles from './View.module.css';

interface BrushesProps {
  brushes: string[];
  onChange: (brushes: string[]) => void;
}

const ROWS = 4;

/** The painter's brushes by their names, one a line, to be chosen in steps. */
export function Brushes({ brushes, onChange }: BrushesProps) {
  const id = useId();
  return (
    <div className={styles.brushes}>
      <label htmlFor={id}>Brushes to choose in steps, one on each line</label>
      <textarea
        id={id}
        rows={ROWS}
        defaultValue={brushes.join('\n')}
        placeholder={'Round 2\nWorn flat'}
        onChange={(event) => onChange(namesIn(event.target.value))}
      />
    </div>
  );
}

/** Each name once, in the order typed. */
const namesIn = (text: string): string[] => [
  ...new Set(
    text
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== ''),
  ),
];
