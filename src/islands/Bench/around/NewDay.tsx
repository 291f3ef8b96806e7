import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import { SITTING_GAP_MINUTES } from '../../../core/bench/replay/foldClock';
import { counted, momentText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import styles from '../View.module.css';

/** The day after: nothing is in the hand, most is dry, and this is where it goes on. */
export function NewDay({ bench, now }: { bench: Bench; now: number }) {
  const { view, drying } = bench;
  if (view.clock.lastAt === null || view.clock.current !== null || now - view.clock.lastAt < SITTING_GAP_MINUTES * MINUTE_MS) return null;
  return (
    <p className={styles.quiet} data-testid="new-day">
      Last tap {momentText(view.clock.lastAt)}.{' '}
      {drying.length === 0 ? 'Everything is dry.' : `${counted(drying.length, 'place')} still wet.`} It goes on here; set-up time is added
      again.
    </p>
  );
}
