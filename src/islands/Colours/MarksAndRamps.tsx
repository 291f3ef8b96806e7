import type { ColoursPicture } from '../../contract/colours';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { plain } from '../../ui/format';
import { MatchColour } from '../shared/matching/MatchColour';
import styles from './View.module.css';

const NO_PICTURES: never[] = [];

/** Colours that tell squads apart, and highlights that climb step by step, with the pair that is nearest; and a match for any colour. */
export function MarksAndRamps({ picture: { units, marks, ramps, shelf } }: { picture: ColoursPicture }) {
  const nameOf = (id: string) => units.find((unit) => unit.id === id)!.name;
  return (
    <Panel title="Marks and ramps" className={styles.arms} aside={<MatchColour paints={shelf} pictures={NO_PICTURES} />}>
      {marks.length === 0 && ramps.length === 0 && (
        <p>No marks and no ramps of three steps yet: both are made in the Scheme view, at the step or among the mixes.</p>
      )}
      <ul className={styles.ramps} data-testid="marks-and-ramps">
        {marks.map(({ unitId, part, marks: its, apart, clear }) => (
          <li key={`${unitId} ${part}`}>
            <span>
              {nameOf(unitId)}, {part.toLowerCase()}: {plain(apart, 1)} apart at least, for colour-blind eyes too
              {clear !== null && `; ${plain(clear, 1)} from what they lie on`}
            </span>
            <span className={styles.steps}>
              {its.map(({ name, pot }) => (
                <span key={name}>
                  <Swatch hex={pot.hex} kind={pot.kind} /> {name}: {pot.name}
                </span>
              ))}
            </span>
          </li>
        ))}
        {ramps.map(({ unitId, part, pots, differences }) => (
          <li key={`${unitId} ${part} ramp`}>
            <span>
              {nameOf(unitId)}, {part.toLowerCase()}: {pots.length} steps, the smallest {plain(Math.min(...differences), 1)}
            </span>
            <span className={styles.steps}>
              {pots.map(({ name, hex, kind }) => (
                <span key={name}>
                  <Swatch hex={hex} kind={kind} /> {name}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
