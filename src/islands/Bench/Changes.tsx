import { useState } from 'react';
import { Button } from '../../ui/Button/Button';
import { counted } from '../../ui/format';
import { send } from '../shared/api';
import type { Bench } from './useBench';
import styles from './View.module.css';

/** What came and went since the line was put here; it has taken its place already. */
export function Changes({ bench, onAccept }: { bench: Bench; onAccept: () => void }) {
  const { added, gone } = bench.picture.changes;
  const [error, setError] = useState<string | null>(null);
  if (added + gone === 0) return null;
  const said = [added > 0 && `${counted(added, 'job')} new`, gone > 0 && `${gone} gone`].filter(Boolean).join(', ');
  const accept = () => send('POST', '/api/bench', {}).then(onAccept, (problem: Error) => setError(problem.message));
  return (
    <p className={styles.quiet} data-testid="changes">
      Since this line was put on the bench: {said}. They stand in their place. {error}
      <Button kind="quiet" onClick={() => void accept()}>
        Got it
      </Button>
    </p>
  );
}
