import { Button } from '../../../ui/Button/Button';
import { counted, timeOfDayText } from '../../../ui/format';
import { toggleFullScreen } from '../taps/fullScreen';
import type { Questions } from '../taps/useAsking';
import type { Bench } from '../taps/useBench';
import styles from '../View.module.css';

/** What is pressed less often than the button, with the time of day and whether every tap is stored. */
export function SmallButtons({ bench, questions, now }: { bench: Bench; questions: Questions; now: number }) {
  const { view, actions, job, clock } = bench;
  const { back, ask, isMore, setMore, canDecide } = questions;
  return (
    <div className={styles.small} data-more={isMore}>
      <Button onClick={back(actions.undo)} disabled={!clock.lastUndoable}>
        Undo
      </Button>
      <Button onClick={back(actions.pause)} aria-pressed={view.clock.pausedSince !== null}>
        {view.clock.pausedSince === null ? 'Pause' : 'Paused'}
      </Button>
      <Button onClick={() => ask({ kind: 'miss', start: null })}>Missed a spot</Button>
      <Button className={styles.moreButton} aria-expanded={isMore} onClick={() => setMore(!isMore)}>
        More
      </Button>
      <div className={styles.extra}>
        <Button onClick={() => ask({ kind: 'touch-up' })}>Touched up</Button>
        <Button onClick={back(actions.setAside)} disabled={view.model === null}>
          Set aside
        </Button>
        <Button onClick={() => ask({ kind: 'decide' })} disabled={!canDecide}>
          Decide
        </Button>
        <Button onClick={() => ask({ kind: 'note' })}>Note</Button>
        <Button onClick={() => ask({ kind: 'sheet' })} disabled={!job}>
          From the leg sheet
        </Button>
        <Button onClick={back(actions.end)} disabled={view.clock.current === null}>
          Enough for today
        </Button>
        <Button onClick={back(toggleFullScreen)}>Full screen</Button>
      </div>
      <time className={styles.timeOfDay} data-testid="time-of-day">
        {timeOfDayText(now)}
      </time>
      <span className={styles.sent} role="status" data-unsent={bench.unsent} data-heard={bench.isHeard}>
        {bench.unsent === 0 ? 'Saved' : `${counted(bench.unsent, 'tap')} kept here, not sent yet`}
      </span>
    </div>
  );
}
