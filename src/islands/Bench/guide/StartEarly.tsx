import { Sure } from '../../../ui/Sure/Sure';
import { timeOfDayText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { lackWords } from '../words';
import { wholeMinute } from './mainSurface';

/** Painting on what is wet, or out of order: small, and asked for once more where it was pressed. */
export function StartEarly({ bench, onStart }: { bench: Bench; onStart: () => void }) {
  const { job, view, goesOnAt } = bench;
  if (!job || view.model === null || view.clock.pausedSince !== null) return null;
  const [lacking] = view.readiness.broken(job.passKey, [view.model]);
  const why = Number.isFinite(goesOnAt)
    ? `Model ${view.model} is wet until ${timeOfDayText(wholeMinute(goesOnAt))}.`
    : `Model ${view.model}: ${lacking ? lackWords(lacking.before) : 'an earlier step is not done'}.`;
  return (
    <Sure key={`${job.id} ${view.model}`} question={why} yes="Paint it now" onYes={onStart}>
      Start early
    </Sure>
  );
}
