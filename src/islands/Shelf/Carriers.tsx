import { useCallback } from 'react';
import type { PaintTrace } from '../../contract/paintTrace';
import { dayOfText, positionsText } from '../../ui/format';
import { send } from '../client/api';
import { useDerived } from '../client/useDerived';
import { Broken } from '../shared/Broken';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

/** Which models carry the paint in hand: what to look at when a pot was changed or a mix cannot be matched. */
export function Carriers({ paintId }: { paintId: string }) {
  const ask = useCallback(() => send<PaintTrace[]>('GET', `/api/paints/${paintId}/models`), [paintId]);
  const { value: traces, error, again } = useDerived(ask);
  if (error) return <Broken error={error} again={again} />;
  if (!traces)
    return (
      <p role="status">
        <Working label="Looking for models it is used on …" />
      </p>
    );
  if (traces.length === 0) return <p>No model carries it yet.</p>;
  return (
    <div data-testid="carriers">
      <p>Used on:</p>
      <ul className={styles.carriers}>
        {traces.map((trace) => (
          <li key={trace.passKey}>
            {trace.unit} {positionsText(trace.models)}: {trace.what}
            <small>
              {trace.commission}, {dayOfText(trace.lastAt)}
            </small>
          </li>
        ))}
      </ul>
    </div>
  );
}
