import { Button } from '../../ui/Button/Button';
import type { SavedControls } from '../client/useSaved';
import styles from './SaveState.module.css';

/** Says whether what is on screen is stored, takes the last change back, or does it again. */
export function SaveState({ saved }: { saved: SavedControls }) {
  const { status } = saved;
  return (
    <div className={styles.state}>
      <span role="status" data-save={status.kind}>
        {status.kind === 'saved' && 'Saved'}
        {status.kind === 'waiting' && 'Saving …'}
        {status.kind === 'failed' && <strong>Not saved. {status.message}</strong>}
      </span>
      {status.kind === 'failed' && <Button onClick={() => void saved.retry()}>Try again</Button>}
      <Button kind="quiet" onClick={saved.undo} disabled={!saved.canUndo}>
        Undo
      </Button>
      <Button kind="quiet" onClick={saved.redo} disabled={!saved.canRedo}>
        Redo
      </Button>
    </div>
  );
}
