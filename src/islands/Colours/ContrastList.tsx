import { HIGHLIGHT_DIFFERENCE, NEIGHBOUR_DIFFERENCE } from '../../core/paint/contrast';
import type { Paint } from '../../core/scheme/model/definitions';
import { labelOf } from '../../core/scheme/model/techniques';
import type { ColoursPicture } from '../../contract/colours';
import { Panel } from '../../ui/Panel/Panel';
import { plain } from '../../ui/format';
import { useRemembered } from '../shared/useRemembered';
import { LimitField } from './LimitField';
import styles from './View.module.css';

const MOST = 30;

/** Parts that run together at arm's length, and highlights that are hardly seen. */
export function ContrastList({ picture: { units, contrast } }: { picture: ColoursPicture }) {
  const [neighbours, setNeighbours] = useRemembered<number>('contrast of parts', NEIGHBOUR_DIFFERENCE);
  const [highlights, setHighlights] = useRemembered<number>('contrast of highlights', HIGHLIGHT_DIFFERENCE);
  const nameOf = (id: string) => units.find((unit) => unit.id === id)!.name;
  const alike = contrast.alike.filter(({ difference }) => difference < neighbours);
  const faint = contrast.faint.filter(({ difference }) => difference < highlights);
  return (
    <Panel title="Contrast">
      <LimitField label="Parts that touch differ by at least" value={neighbours} most={MOST} onChange={setNeighbours} />
      {alike.length === 0 ? (
        <p>All parts that touch can be told apart at arm’s length.</p>
      ) : (
        <ul className={styles.twins} aria-label="Parts too alike">
          {alike.map(({ unitId, parts, paints, difference }) => (
            <li key={`${unitId} ${parts.join()}`}>
              <Pair paints={paints} />
              <span>
                {nameOf(unitId)}: {parts[0].toLowerCase()} and {parts[1].toLowerCase()}
                <small>
                  {paints[0].name} and {paints[1].name}, difference {plain(difference, 1)}: they run together at arm’s length
                </small>
              </span>
            </li>
          ))}
        </ul>
      )}
      <LimitField label="Highlights differ from their base by at least" value={highlights} most={MOST} onChange={setHighlights} />
      {faint.length === 0 ? (
        <p>Every highlight shows on its base.</p>
      ) : (
        <ul className={styles.twins} aria-label="Highlights hardly seen">
          {faint.map(({ unitId, part, step, paints, difference }) => (
            <li key={`${unitId} ${step.id}`}>
              <Pair paints={paints} />
              <span>
                {nameOf(unitId)}, {part.toLowerCase()}: {labelOf(step).toLowerCase()} in {paints[1].name}
                <small>
                  on {paints[0].name}, difference {plain(difference, 1)}: hardly worth its minutes
                </small>
              </span>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

const Pair = ({ paints: [a, b] }: { paints: [Paint, Paint] }) => (
  <span className={styles.onGrey} aria-hidden="true">
    <span style={{ background: a.hex }} />
    <span style={{ background: b.hex }} />
  </span>
);
