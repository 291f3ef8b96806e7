import { useState } from 'react';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Search } from '../../../ui/icons';
import styles from './FindPaint.module.css';

interface FindPaintProps {
  label: string;
  options: readonly { value: string; label: string }[];
  onFound: (id: string) => void;
}

const MOST_SHOWN = 8;

/** Those that have every word, the names that begin with the first of them first. */
function foundBy<O extends { label: string }>(words: readonly string[], options: readonly O[]): O[] {
  const rank = ({ label }: O) => {
    const name = label.toLowerCase();
    return name.startsWith(words[0]!) ? 0 : name.includes(` ${words[0]!}`) ? 1 : 2;
  };
  return options.filter((option) => words.every((word) => option.label.toLowerCase().includes(word))).toSorted((a, b) => rank(a) - rank(b));
}

/** A paint found by typing some of its name; Enter takes the first. */
export function FindPaint({ label, options, onFound }: FindPaintProps) {
  const [typed, setTyped] = useState<string | null>(null);
  if (typed === null) {
    return (
      <Button kind="quiet" aria-label={`Find: ${label}`} onClick={() => setTyped('')}>
        <Search aria-hidden="true" size={16} />
      </Button>
    );
  }
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length === 0 ? [] : foundBy(words, options);
  const take = (id: string) => {
    onFound(id);
    setTyped(null);
  };
  return (
    <div className={styles.find}>
      <TextField
        label={`Type to find: ${label}`}
        hideLabel
        placeholder="Type to find"
        autoFocus
        value={typed}
        onChange={setTyped}
        onBlur={() => typed === '' && setTyped(null)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setTyped(null);
          if (event.key !== 'Enter') return;
          event.preventDefault();
          event.stopPropagation();
          if (found[0]) take(found[0].value);
        }}
      />
      {words.length > 0 && (
        <ul className={styles.found}>
          {found.slice(0, MOST_SHOWN).map((option) => (
            <li key={option.value}>
              <Button kind="quiet" onClick={() => take(option.value)}>
                {option.label}
              </Button>
            </li>
          ))}
          {found.length === 0 && <li>No paint has these words.</li>}
        </ul>
      )}
    </div>
  );
}
