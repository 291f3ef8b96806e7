import type { JobInfo } from '../../core/scheme/buildLine';
import type { Paint } from '../../core/scheme/definitions';
import { allowsCountdown, factsOf } from '../../core/scheme/techniques';
import { Notice } from '../../ui/Notice/Notice';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { clockText, minutesText } from '../../ui/format';
import type { Bench } from './useBench';
import styles from './View.module.css';

const MINUTE_MS = 60_000;

/** What to do with this model, readable at a metre. */
export function Instruction({ bench, paints, now }: { bench: Bench; paints: Paint[]; now: number }) {
  const { view } = bench;
  const job = bench.job!;
  const facts = factsOf(job.technique);
  const paint = paints.find((each) => each.id === job.paintId) ?? null;
  return (
    <section className={styles.instruction} aria-label="What to do now" aria-live="polite">
      <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} size="large" />
      <div>
        <p className={styles.what} data-testid="instruction">
          {paint?.name ?? facts.label}
        </p>
        <p className={styles.where}>
          {facts.label}
          {job.coats > 1 && `, coat ${job.coat} of ${job.coats}`}
          {job.partName ? ` on ${job.partName.toLowerCase()}` : ' over everything'}, {job.unitName}, model {view.model}
          {isLeader(job, view.model!) && ', a leader'}
        </p>
        {view.readyAt > now && !view.needsStart && <Wet readyAt={view.readyAt} now={now} model={view.model!} />}
        {facts.caution && view.needsStart ? <Notice kind="caution">{facts.caution}</Notice> : <Timer bench={bench} now={now} />}
      </div>
    </section>
  );
}

/** Leaders are planned with longer minutes than the rest of their job. */
const isLeader = (job: JobInfo, model: number) => job.minutes[job.models.indexOf(model)]! > Math.min(...job.minutes);

function Wet({ readyAt, now, model }: { readyAt: number; now: number; model: number }) {
  return (
    <p className={styles.wet}>
      <span className={styles.hatch} aria-hidden="true" />
      {Number.isFinite(readyAt)
        ? `Model ${model} is dry in ${minutesText(Math.max(0.1, (readyAt - now) / MINUTE_MS))}`
        : `Something under this is not painted on model ${model} yet`}
    </p>
  );
}

/** Time on this model against its estimate; never a countdown with a knife or a spray can in the hand. */
function Timer({ bench, now }: { bench: Bench; now: number }) {
  const { state, view, estimate } = bench;
  const job = bench.job!;
  const place = job.models.indexOf(view.model!);
  const pass = estimate.passes.find((each) => each.passKey === job.passKey);
  const planned = job.minutes[place] ?? 0;
  // A leader takes longer than the pass says for an ordinary model, by the factor it was planned with.
  const ordinary = Math.min(...job.minutes);
  const minutes = pass && ordinary > 0 ? (pass.p50 * planned) / ordinary : planned;
  if (!allowsCountdown(job.technique)) return <p className={styles.timer}>about {minutesText(minutes)} a model; take the time it needs</p>;
  const until = state.pausedSince ?? now;
  const seconds = view.needsStart || state.workingSince === null ? 0 : (until - state.workingSince) / 1000;
  return (
    <p className={styles.timer}>
      <span className={cx(styles.clock, seconds > minutes * 60 && styles.over)} data-testid="clock">
        {clockText(seconds)}
      </span>{' '}
      of about {clockText(minutes * 60)}
      {state.pausedSince !== null && <strong> paused</strong>}
    </p>
  );
}
