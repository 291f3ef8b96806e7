import { lastSitting } from '../../../core/bench/guide/eveningEnd';
import { labelOf } from '../../../core/scheme/model/techniques';
import { counted, minutesText, momentText, timeOfDayText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { jobWords, passWords, unitWords } from '../words';
import styles from '../View.module.css';
import own from './around.module.css';

/** The end of the evening: what was done, what is left, what dries until when, and what to look at first next time. */
export function EveningEnd({ bench, now }: { bench: Bench; now: number }) {
  const sitting = lastSitting(bench.events, bench.past);
  const { figures } = bench.figures;
  const { clock, view, job } = bench;
  const next = bench.picture.sessions.find(({ from }) => from > now);
  const wet = bench.drying.filter(({ dryAt }) => dryAt > now);
  const last = Math.max(0, ...wet.map(({ dryAt }) => dryAt));
  return (
    <section className={own.evening} aria-label="The end of the session" data-testid="evening-end">
      <p className={styles.where}>
        {sitting && sitting.modelSteps + sitting.mended > 0
          ? `Done: ${counted(sitting.modelSteps, 'model-step')}${sitting.mended > 0 ? `, ${counted(sitting.mended, 'spot')} mended` : ''}, ${minutesText(sitting.minutes)} hands-on.`
          : 'Stopped.'}
      </p>
      {job && (
        <p>
          Stopped at {timeOfDayText(clock.lastAt!)}. It goes on here: {jobWords(bench, job)}, model {view.model}. Set-up time is added
          again.
        </p>
      )}
      <ul>
        {sitting && sitting.unitIds.some((id) => bench.units.has(id)) && (
          <li>
            Since {timeOfDayText(sitting.from)}:{' '}
            {sitting.unitIds
              .filter((id) => bench.units.has(id))
              .map((id) => unitWords(bench, id))
              .join(', ')}
          </li>
        )}
        {figures && figures.likely > 0 && (
          <li>
            Left on this line: {minutesText(figures.likely)} expected, {minutesText(figures.safe)} cautious
          </li>
        )}
        <li>
          {wet.length === 0
            ? 'Nothing is wet'
            : `Drying until ${timeOfDayText(last)}: ${counted(new Set(wet.map(({ unitId, model }) => `${unitId} ${model}`)).size, 'model')}`}
        </li>
        <li>{next ? `Next session: ${momentText(next.from)}` : 'No session is set after this one'}</li>
        <li>
          <strong>Look first at: {firstThing(bench)}</strong>
        </li>
      </ul>
    </section>
  );
}

function firstThing(bench: Bench): string {
  const [miss] = bench.view.misses;
  if (miss) return `${unitWords(bench, miss.unitId)}, model ${miss.model}: ${passWords(bench.passes.get(miss.passKey)!)} was missed`;
  const [look] = bench.lookBacks;
  if (look) return `the ${labelOf(look.pass).toLowerCase()} on ${unitWords(bench, look.pass.unitId)}: has it dried evenly?`;
  return bench.job ? `${jobWords(bench, bench.job)}, model ${bench.view.model}` : 'the units together, at arm’s length';
}
