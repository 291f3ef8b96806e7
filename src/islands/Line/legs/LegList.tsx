import { memo, useMemo } from 'react';
import type { LinePlan } from '../../../core/line/definitions';
import { legsOf, stagesOf } from '../../../core/plan/build/legs';
import { STAGE_LABELS } from '../../../core/scheme/model/moments';
import { type SetupInfo, setupLabel } from '../../../core/scheme/passes/setups';
import type { LinePicture } from '../../../contract/line';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { cx } from '../../../ui/cx';
import { counted, minutesText } from '../../../ui/format';
import own from './legs.module.css';
import styles from '../View.module.css';

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
      legsOf(picture, plan).map(({ jobs, ...leg }, index) => ({
        ...leg,
        number: index + 1,
        unitNames: shortened([...new Set(jobs.map((job) => job.unitName))]),
        end: leg.first + jobs.length,
      })),
    [picture, plan],
  );
  return (
    <ol className={own.legs} aria-label="Legs in their order">
      {stagesOf(legs).map(({ stage, legs: ofStage }) => (
        <li key={ofStage[0]!.first}>
          <h3 className={own.stage}>
            {STAGE_LABELS[stage]}
            <small>
              {counted(ofStage.length, 'leg')}, {minutesText(ofStage.reduce((sum, { minutes }) => sum + minutes, 0))}
            </small>
          </h3>
          <ol>
            {ofStage.map(({ end, stage: _, ...leg }) => (
              <Leg key={leg.first} {...leg} isInHand={selected >= leg.first && selected < end} onSelect={onSelect} />
            ))}
          </ol>
        </li>
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
      <button type="button" className={cx(own.leg, isInHand && own.inHand)} onClick={() => onSelect(first)}>
        <span className={own.legNumber}>{number}</span>
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
