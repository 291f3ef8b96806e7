import { Button } from '../../ui/Button/Button';
import type { SavedControls } from '../client/useSaved';
import styles from './SaveState.module.css';

/**
 * Says whether what is on screen is stored, takes the last change back, or does it again. What could not be stored is said at the edge
 * of the window: seen wherever one is on the page, and nothing moves under a hand that is about to press.
 */
export function SaveState({ saved }: { saved: SavedControls }) {
  const { status } = saved;
  return (
    <div className={styles.state}>
      <div className={status.kind === 'failed' ? styles.failed : undefined}>
        <span role="status" data-save={status.kind}>
          {status.kind === 'saved' && 'Saved'}
          {status.kind === 'waiting' && 'Saving …'}
          {status.kind === 'failed' && <strong>Not saved. {status.message}</strong>}
        </span>
        {status.kind === 'failed' && <Button onClick={() => void saved.retry()}>Try again</Button>}
      </div>
      <Button kind="quiet" onClick={saved.undo} disabled={!saved.canUndo}>
        Undo
      </Button>
      <Button kind="quiet" onClick={saved.redo} disabled={!saved.canRedo}>
        Redo
      </Button>
    </div>
  );
}
