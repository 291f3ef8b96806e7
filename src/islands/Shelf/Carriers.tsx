import { useEffect, useState } from 'react';
import type { PaintTrace } from '../../contract/paintTrace';
import { dayOfText, positionsText } from '../../ui/format';
import { send } from '../shared/api';
import styles from './View.module.css';

/** Which models carry the paint in hand: what to look at when a pot was changed or a mix cannot be matched. */
export function Carriers({ paintId }: { paintId: string }) {
  const [traces, setTraces] = useState<PaintTrace[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    let isCurrent = true;
    send<PaintTrace[]>('GET', `/api/paints/${paintId}/models`).then(
      (answer) => isCurrent && setTraces(answer),
      (problem: Error) => isCurrent && setError(problem.message),
    );
    return () => {
      isCurrent = false;
    };
  }, [paintId]);
  if (error) return <p role="alert">{error}</p>;
  if (!traces) return <p role="status">Looking for models that carry it …</p>;
  if (traces.length === 0) return <p>No model carries it yet.</p>;
  return (
    <div data-testid="carriers">
      <p>Models that carry it:</p>
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
