import type { LinePicture } from '../../contract/line';
import { Button } from '../../ui/Button/Button';
import { Working } from '../../ui/Working/Working';
import { Gates } from './Gates';
import { OnTheLine } from './OnTheLine';
import type { Line } from './search/useLine';
import type { LineDesk } from './search/useLineDesk';
import type { LineActs } from './useLineActs';
import styles from './View.module.css';

interface LineTopProps {
  desk: LineDesk;
  line: Line;
  acts: LineActs;
}

/** What is on the line, what it comes to, and the way to the bench. */
export function LineTop({ desk, line, acts }: LineTopProps) {
  const { picture } = desk;
  return (
    <div className={styles.top}>
      <OnTheLine desk={desk} />
      <Total line={line} />
      <Gates picture={picture} />
      {picture.canPutBack && (
        <Button kind="quiet" onClick={acts.bringBack}>
          Bring back the line before
        </Button>
      )}
      <Button kind="main" className={styles.takeUp} onClick={acts.takeUp}>
        {toBenchWords(picture)}
      </Button>
    </div>
  );
}

const toBenchWords = ({ isOnBench, isBenchTaken }: LinePicture) =>
  isOnBench || isBenchTaken ? 'Replace the line on the bench' : 'Put this line on the bench';

function Total({ line: { plan, times, isSearching, isProving } }: { line: Line }) {
  const { amount, until } = times.totalText(plan);
  return (
    <p className={styles.total} role="status" data-searching={isSearching || isProving}>
      <strong>{amount}</strong> {until}, {times.gapText(plan)}
      {isSearching && <Working label="Looking for a better order">, still looking …</Working>}
      {isProving && <Working label="Working out how near it is to the best">, still being worked out …</Working>}
    </p>
  );
}
