import { Button } from '../../ui/Button/Button';
import type { SaveStatus } from './useSaved';
import styles from './SaveState.module.css';

interface SaveStateProps {
  status: SaveStatus;
  onRetry: () => void;
  onUndo: () => void;
  canUndo: boolean;
}

/** Says whether what is on screen is stored, and takes the last change back. */
export function SaveState({ status, onRetry, onUndo, canUndo }: SaveStateProps) {
  return (
    <div className={styles.state}>
      <span role="status" data-save={status.kind}>
        {status.kind === 'saved' && 'All stored'}
        {status.kind === 'waiting' && 'Storing …'}
        {status.kind === 'failed' && <strong>Not stored. {status.message}</strong>}
      </span>
      {status.kind === 'failed' && <Button onClick={onRetry}>Try again</Button>}
      <Button kind="quiet" onClick={onUndo} disabled={!canUndo}>
        Undo
      </Button>
    </div>
  );
}
