import type { LinePicture } from '../../../contract/line';
import { Button } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import { SaveState } from '../../shared/SaveState';
import type { Line } from '../search/useLine';
import { Working } from '../../../ui/Working/Working';
import styles from './chart.module.css';

/** What was done by hand and what it has cost, undo and redo, and what a search around it has found. */
export function HandBar({ line, picture }: { line: Line; picture: LinePicture }) {
  const { note, found, times, plan } = line;
  return (
    <div className={styles.hand}>
      <SaveState saved={line.saved} />
      <span role="status" data-testid="hand-note">
        {note && `Put there and pinned: ${times.changeText(note.change, plan.finish - note.change.finish)} against where it stood.`}
        {note && note.letGo > 0 && ` ${counted(note.letGo, 'earlier wish', 'earlier wishes')} had to be dropped.`}
        {!note && ownText(line, picture)}
      </span>
      <span className={styles.actions}>
        {line.isOwn && (
          <Button kind="quiet" onClick={line.follow}>
            Back to the suggestion
          </Button>
        )}
        {found === null ? (
          <Button onClick={line.improve}>Improve the rest</Button>
        ) : (
          <>
            <span data-testid="found" data-searching={line.isImproving}>
              {found.isBetter ? `Found one that suits better: ${times.changeText(found.change, plan.finish)}` : 'Nothing better yet'}
              {line.isImproving ? (
                <Working label="Looking for a better order around the pins">, still looking …</Working>
              ) : found.isBetter ? (
                '.'
              ) : (
                ': this is as good as it gets around the pins.'
              )}
            </span>
            <Button disabled={!found.isBetter} onClick={line.takeFound}>
              Take it
            </Button>
            <Button kind="quiet" onClick={line.leaveFound}>
              Cancel
            </Button>
          </>
        )}
      </span>
    </div>
  );
}

function ownText(line: Line, { isOwnOnBench, isOnBench }: LinePicture): string {
  if (isOwnOnBench && !line.saved.canUndo) return 'This is the order on the bench.';
  if (!line.isOwn) return 'This is the suggested order.';
  return isOnBench ? 'This is your own order; the bench follows the one put there.' : 'This is your own order.';
}
