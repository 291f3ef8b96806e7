import { useState } from 'react';
import { Button } from '../../../ui/Button/Button';
import { timeOfDayText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { lackWords } from '../words';
import { wholeMinute } from './mainSurface';
import styles from '../said/said.module.css';

/** Painting on what is wet, or out of order: small, and asked for once more where it was pressed. */
export function StartEarly({ bench, onStart }: { bench: Bench; onStart: () => void }) {
  const [asked, setAsked] = useState<string | null>(null);
  const { job, view, goesOnAt } = bench;
  if (!job || view.model === null || view.clock.pausedSince !== null) return null;
  const what = `${job.id} ${view.model}`;
  if (asked !== what) return <Button onClick={() => setAsked(what)}>Start early</Button>;
  const [lacking] = view.readiness.broken(job.passKey, [view.model]);
  const why = Number.isFinite(goesOnAt)
    ? `Model ${view.model} is wet until ${timeOfDayText(wholeMinute(goesOnAt))}.`
    : `Model ${view.model}: ${lacking ? lackWords(lacking.before) : 'an earlier step is not done'}.`;
  return (
    <span className={styles.ask} role="group" aria-label="Start early?">
      {why}
      {/* Cancel is where the button was: a second press of a double one starts nothing. */}
      <Button autoFocus onClick={() => setAsked(null)}>
        Cancel
      </Button>
      <Button onClick={onStart}>Paint it now</Button>
    </span>
  );
}
