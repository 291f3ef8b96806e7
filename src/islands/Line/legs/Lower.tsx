import type { Strategy } from '../../../core/line/search/strategies';
import type { LinePicture } from '../../../contract/line';
import { Button } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { counted } from '../../../ui/format';
import { Evenings } from '../dates/Evenings';
import type { Line } from '../search/useLine';
import { LegList } from './LegList';
import { SharedLegs } from './SharedLegs';
import styles from '../View.module.css';

const SIDES = ['legs', 'shared', 'evenings'] as const;
export type Side = (typeof SIDES)[number];
const NAMES = { legs: 'Legs', shared: 'Shared', evenings: 'Sessions' } as const satisfies Record<Side, string>;
const TITLES = { shared: 'What shared legs save', evenings: 'Ready for the table' } as const;

interface LowerProps {
  picture: LinePicture;
  line: Line;
  strategies: Strategy[];
  selected: number;
  onSelect: (place: number) => void;
  side: Side;
  onSide: (side: Side) => void;
}

/** The line from another side: its legs, what they share, or when units are ready. */
export function Lower({ picture, line: { plan, times, shared }, strategies, selected, onSelect, side, onSide }: LowerProps) {
  const others = SIDES.filter((each) => each !== side && (each !== 'evenings' || times.sessions));
  return (
    <Panel
      title={side === 'legs' ? counted(plan.legs.length, 'leg') : TITLES[side]}
      className={styles.lower}
      scrolls
      aside={
        <span className={styles.tabs}>
          {others.map((each) => (
            <Button key={each} kind="quiet" onClick={() => onSide(each)}>
              {NAMES[each]}
            </Button>
          ))}
        </span>
      }
    >
      {side === 'shared' && <SharedLegs shared={shared} strategies={strategies} />}
      {side === 'legs' && <LegList picture={picture} plan={plan} selected={selected} onSelect={onSelect} />}
      {side === 'evenings' && times.sessions && <Evenings picture={picture} plan={plan} times={times} />}
    </Panel>
  );
}
