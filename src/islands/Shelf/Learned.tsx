import { FILM_KINDS, FILM_LABELS } from '../../core/paint/films';
import type { ShelfPicture } from '../../contract/shelf';
import { Button } from '../../ui/Button/Button';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, dayOfText, plain } from '../../ui/format';
import { mlText } from './words';
import styles from './View.module.css';

interface LearnedProps {
  shelf: ShelfPicture;
  onForget: (id: string) => void;
}

/** How well amounts and mixes have been foretold, and what was learned from it. */
export function Learned({ shelf, onForget }: LearnedProps) {
  const { foretold, factors, seen } = shelf;
  const learned = FILM_KINDS.filter((kind) => factors[kind] !== undefined);
  return (
    <Panel title="How well this was predicted">
      <div data-testid="learned">
        {foretold === null ? (
          <p>
            Read a pot before and after some work: from two levels the program learns how much paint your work really takes. Until then it
            goes by surface and a usual film.
          </p>
        ) : (
          <p>
            {counted(foretold.pairs, 'pair')} of levels: amounts were off by {mlText(foretold.assumed)} as assumed, and are off by{' '}
            {mlText(foretold.learned)} with what was learned.
          </p>
        )}
        {learned.length > 0 && (
          <ul>
            {learned.map((kind) => (
              <li key={kind}>
                {FILM_LABELS[kind]}: {plain(factors[kind]!, 2)} times what was assumed
              </li>
            ))}
          </ul>
        )}
        {seen.length > 0 && (
          <ul className={styles.seen}>
            {seen.map(({ id, mix, at, hex, before, after }) => (
              <li key={id}>
                <Swatch hex={hex} />
                <span>
                  {mix}, seen dry on {dayOfText(Date.parse(at))}
                  {before !== null && after !== null && `: off by ${plain(before, 1)} before, ${plain(after, 1)} now`}
                </span>
                <Button kind="quiet" onClick={() => onForget(id)}>
                  Remove
                </Button>
              </li>
            ))}
          </ul>
        )}
      </div>
    </Panel>
  );
}
