import { memo, useMemo } from 'react';
import type { LinePlan } from '../../core/line/definitions';
import type { SetupInfo } from '../../core/scheme/setups';
import { factsOf } from '../../core/scheme/techniques';
import type { LinePicture } from '../../core/views/line';
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
  const legs = useMemo(() => {
    const units = new Map(picture.jobs.map((job) => [job.id, job.unitName]));
    const setups = new Map(picture.setups.map((setup) => [setup.id, setup]));
    const placeOf = new Map(plan.order.map((id, place) => [id, place]));
    return plan.legs.map((leg) => {
      const first = placeOf.get(leg.jobs[0]!)!;
      const unitNames = [...new Set(leg.jobs.map((id) => units.get(id)!))].join(', ');
      return { setup: setups.get(leg.setup)!, unitNames, minutes: leg.to - leg.from, first, end: first + leg.jobs.length };
    });
  }, [picture, plan]);
  return (
    <ol className={styles.legs} aria-label="Legs in their order">
      {legs.map((leg, index) => (
        <Leg key={leg.first} number={index + 1} {...leg} isInHand={selected >= leg.first && selected < leg.end} onSelect={onSelect} />
      ))}
    </ol>
  );
}

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
          {factsOf(setup.technique).label} {setup.paint?.name}
          <small>{unitNames}</small>
        </span>
        <span className={styles.figure}>{minutesText(minutes)}</span>
      </button>
    </li>
  );
});
