import { Button } from '../../../ui/Button/Button';
import { counted, timeOfDayText } from '../../../ui/format';
import { send } from '../../client/api';
import { useAttempt } from '../../client/useAttempt';
import type { Bench } from '../taps/useBench';
import styles from '../View.module.css';

interface ChangesProps {
  bench: Bench;
  reload: () => void;
}

/** What came and went since the line was put here; it has taken its place already. Until the next tap, also the line it replaced. */
export function Changes({ bench, reload }: ChangesProps) {
  const { changes, replaced, laidAt } = bench.picture;
  const { error, attempt } = useAttempt(reload);
  const said = [changes.added > 0 && `${counted(changes.added, 'job')} new`, changes.gone > 0 && `${changes.gone} gone`].filter(Boolean);
  const isFresh = replaced !== null && (bench.clock.lastAt ?? 0) < Date.parse(laidAt);
  if (said.length === 0 && !isFresh) return null;
  return (
    <>
      {isFresh && (
        <p className={styles.quiet} data-testid="replaced">
          Put here at {timeOfDayText(Date.parse(laidAt))}, in place of another line ({replaced.names.join(', ')}).{' '}
          <Button kind="quiet" onClick={() => attempt(send('POST', '/api/bench/put-back', {}))}>
            Bring back the line before
          </Button>
        </p>
      )}
      {said.length > 0 && (
        <p className={styles.quiet} data-testid="changes">
          Since this line was put on the bench: {said.join(', ')}. They stand in their place.{' '}
          <Button kind="quiet" onClick={() => attempt(send('POST', '/api/bench', {}))}>
            Got it
          </Button>
        </p>
      )}
      {error && (
        <p className={styles.quiet} role="alert">
          {error}
        </p>
      )}
    </>
  );
}
