import { useState } from 'react';
import { ulid } from 'ulid';
import { adoptScheme } from '../../../core/scheme/authoring/adoptScheme';
import type { Paint, Scheme, Unit } from '../../../core/scheme/model/definitions';
import { allModels } from '../../../core/scheme/model/whoTakes';
import { schemeOfStarter, startersFor } from '../../../core/scheme/authoring/starters';
import { Button } from '../../../ui/Button/Button';
import own from './begin.module.css';
import styles from '../View.module.css';

interface StartersProps {
  unit: Unit;
  paints: Paint[];
  onNewPaint: (paint: Paint) => Promise<void>;
  onStart: (scheme: Scheme) => void;
}

/** Whole schemes to start from, those for models of this size first; the colours are changed afterwards. */
export function Starters({ unit, paints, onNewPaint, onStart }: StartersProps) {
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const start = async (starter: ReturnType<typeof startersFor>[number]) => {
    setBusy(true);
    try {
      const { scheme, newPaints } = adoptScheme(schemeOfStarter(starter, ulid), paints, allModels(unit), ulid);
      for (const paint of newPaints) await onNewPaint(paint);
      onStart(scheme);
    } catch (problem) {
      setError((problem as Error).message);
    }
    setBusy(false);
  };
  return (
    <section aria-label="Schemes to start from" className={own.starters}>
      <p>Or start from a whole scheme, and change its colours. Paints that your shelf lacks are put on it by plain names.</p>
      {error && <p role="alert">{error}</p>}
      <span className={styles.starts}>
        {startersFor(unit.size).map((starter) => (
          <Button key={starter.name} disabled={busy} onClick={() => void start(starter)}>
            {starter.name}
          </Button>
        ))}
      </span>
    </section>
  );
}
