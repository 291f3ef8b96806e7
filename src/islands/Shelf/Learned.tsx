import { mlWords } from '../../core/paint/amountWords';
import { FILM_KINDS, FILM_LABELS, FILMS, type Film } from '../../core/paint/films';
import { factsOf, TECHNIQUES, type Technique } from '../../core/scheme/model/techniques';
import type { ShelfPicture } from '../../contract/shelf';
import { Button } from '../../ui/Button/Button';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, dayOfText, percentText, plain } from '../../ui/format';
import { SortHead } from '../shared/sort/SortHead';
import { useSorted } from '../shared/sort/useSorted';
import styles from './View.module.css';

interface LearnedProps {
  shelf: ShelfPicture;
  onForget: (id: string) => void;
}

const TAKING = TECHNIQUES.flatMap((technique): [Technique, Film][] => {
  const film = FILMS[technique];
  return film === null ? [] : [[technique, film]];
});

/** How well amounts and mixes have been foretold, and what was learned from it. */
export function Learned({ shelf, onForget }: LearnedProps) {
  const { foretold, factors, seen } = shelf;
  const { rows, sorting } = useSorted(TAKING, {
    technique: ([technique]) => factsOf(technique).label,
    film: ([, { micrometres }]) => micrometres,
    lost: ([, { lost }]) => lost,
    why: ([, { reason }]) => reason,
  });
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
            {counted(foretold.pairs, 'pair')} of levels: amounts were off by {mlWords(foretold.assumed)} as assumed, and are off by{' '}
            {mlWords(foretold.learned)} with what was learned.
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
        <details>
          <summary>What each technique is assumed to take</summary>
          <div className={styles.scroll} tabIndex={0} role="region" aria-label="Assumptions">
            <table className={styles.pots}>
              <thead>
                <tr>
                  <SortHead sorting={sorting} by="technique">
                    Technique
                  </SortHead>
                  <SortHead sorting={sorting} by="film" className={styles.figure}>
                    Wet film
                  </SortHead>
                  <SortHead sorting={sorting} by="lost" className={styles.figure}>
                    Lost
                  </SortHead>
                  <SortHead sorting={sorting} by="why">
                    Why
                  </SortHead>
                </tr>
              </thead>
              <tbody>
                {rows.map(([technique, { micrometres, lost, reason, kind }]) => (
                  <tr key={technique}>
                    <th scope="row">{factsOf(technique).label}</th>
                    <td className={styles.figure}>{micrometres} µm</td>
                    <td className={styles.figure}>{percentText(lost)}</td>
                    <td>
                      {reason}
                      {factors[kind] !== undefined && `; learned: ${plain(factors[kind]!, 2)} times as much`}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </details>
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
