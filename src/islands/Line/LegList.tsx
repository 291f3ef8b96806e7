import { memo, useMemo } from 'react';
import type { LinePlan } from '../../core/line/definitions';
import { legsOf } from '../../core/plan/build/legs';
import { type SetupInfo, setupLabel } from '../../core/scheme/passes/setups';
import type { LinePicture } from '../../contract/line';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { minutesText } from '../../ui/format';
import styles from './View.module.css';

interface LegListProps {
  picture: LinePicture;
  plan: LinePlan;
  selected: number;
  onSelect: (place: number) => void;
}

/** The legs in order, as they would be read out at the bench. */
export function LegList({ picture, plan, selected, onSelect }: LegListProps) {
  const legs = useMemo(
    () =>
      legsOf(picture, plan).map(({ setup, jobs, first, minutes }) => ({
        setup,
        unitNames: shortened([...new Set(jobs.map((job) => job.unitName))]),
        minutes,
        first,
        end: first + jobs.length,
      })),
    [picture, plan],
  );
  return (
    <ol className={styles.legs} aria-label="Legs in their order">
      {legs.map((leg, index) => (
        <Leg key={leg.first} number={index + 1} {...leg} isInHand={selected >= leg.first && selected < leg.end} onSelect={onSelect} />
      ))}
    </ol>
  );
}

const MOST_NAMES = 3;
const shortened = (names: string[]): string =>
  names.length <= MOST_NAMES + 1 ? names.join(', ') : `${names.slice(0, MOST_NAMES).join(', ')} and ${names.length - MOST_NAMES} more`;

interface LegProps {
  number: number;
  setup: SetupInfo;
  unitNames: string;
  minutes: number;
  first: number;
  isInHand: boolean;
  onSelect: (place: number) => void;
}

const Leg = memo(function Leg({ number, setup, unitNames, minutes, first, isInHand, onSelect }: LegProps) {
  return (
    <li>
      <button type="button" className={cx(styles.leg, isInHand && styles.inHand)} onClick={() => onSelect(first)}>
        <span className={styles.legNumber}>{number}</span>
        <Swatch hex={setup.paint?.hex ?? null} kind={setup.paint?.kind ?? null} />
        <span>
          {setupLabel(setup)} {setup.paint?.name}
          <small>{unitNames}</small>
        </span>
        <span className={styles.figure}>{minutesText(minutes)}</span>
      </button>
    </li>
  );
});
