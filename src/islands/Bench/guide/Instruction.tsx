import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import { dipFor } from '../../../core/bench/guide/benchLine';
import { coatWords } from '../../../core/scheme/model/halves';
import { allowsCountdown, cautionOf, factsOf, labelOf } from '../../../core/scheme/model/techniques';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { cx } from '../../../ui/cx';
import { clockText, counted, dayOfText, minutesText, positionsText } from '../../../ui/format';
import { likelyMinutes } from '../likelyMinutes';
import type { Bench } from '../taps/useBench';
import { StartEarly } from './StartEarly';
import { passWords, trayWords, unitWords } from '../words';
import own from './Instruction.module.css';
import styles from '../View.module.css';

const NOTES_SHOWN = 2;

interface InstructionProps {
  bench: Bench;
  now: number;
  onMixKept: () => void;
  onStartEarly: () => void;
}

/** What to do with this model, readable at two metres. */
export function Instruction({ bench, now, onMixKept, onStartEarly }: InstructionProps) {
  const { view, paints } = bench;
  const job = bench.job!;
  const pass = bench.pass!;
  const label = labelOf(pass);
  const paint = paints.get(job.paintId ?? '') ?? null;
  const caution = cautionOf(pass, paint?.kind ?? null);
  const isLeader = view.model !== null && bench.units.get(job.unitId)!.leaders.includes(view.model);
  return (
    <section className={own.instruction} aria-label="What to do now">
      <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} size="large" />
      <div>
        {/* Heard once a model: what ticks below it is only seen. */}
        <div aria-live="polite">
          <p className={styles.what} data-testid="instruction">
            {paint?.name ?? (job.lacksPaint ? `${label}: no paint chosen` : label)}
          </p>
          <p className={styles.where}>
            {label}
            {coatWords(pass)}
            {pass.part ? ` on ${pass.part.toLowerCase()}` : ' over everything'}, {unitWords(bench, job.unitId)}
            {trayWords(bench, job)}, model {view.model}
            {isLeader && ', a leader'}
          </p>
        </div>
        <Recipe bench={bench} />
        <Amount bench={bench} onMixKept={onMixKept} />
        <Wet bench={bench} now={now} />
        <Broken bench={bench} />
        {bench.isWaiting && <StartEarly bench={bench} onStart={onStartEarly} />}
        {bench.trouble.models > 0 && (
          <p className={styles.quiet} data-testid="trouble">
            Missed before on {counted(bench.trouble.models, 'model')}
            {bench.trouble.notes.length > 0 && `: ${bench.trouble.notes.join(', ')}`}. Look there.
          </p>
        )}
        <Notes bench={bench} />
        {caution && view.needsStart && <Notice kind="caution">{caution}</Notice>}
        {!(caution && view.needsStart) && !bench.isWaiting && <Timer bench={bench} now={now} isLeader={isLeader} />}
        <Budget bench={bench} />
      </div>
    </section>
  );
}

/** What is in the hand, how what is on it is made, how strong it is, and what the painter noted of the step. */
function Recipe({ bench }: { bench: Bench }) {
  const pass = bench.pass!;
  const { hand } = factsOf(pass.technique);
  const { recipe } = dipFor(pass, bench.view.model ?? bench.job!.models[0]);
  const inHand = pass.brush || hand;
  const said = [...(inHand === 'none' ? [] : [inHand]), ...recipe];
  if (said.length === 0) return null;
  return (
    <p className={styles.quiet} data-testid="recipe">
      {said.join(' · ')}
    </p>
  );
}

/** How much of it to have ready, before it is taken up; and whether the pot holds so much. */
function Amount({ bench, onMixKept }: { bench: Bench; onMixKept: () => void }) {
  const job = bench.job!;
  if (!bench.view.needsStart || job.paintId === null) return null;
  const said = bench.figures.amounts.find(
    ({ unitId, potId, passKey }) => unitId === job.unitId && potId === job.paintId && (passKey === null || passKey === job.passKey),
  );
  if (!said) return null;
  if (said.passKey !== null)
    return (
      <div data-testid="amount">
        <p className={styles.quiet}>Takes {said.text}</p>
        <Short said={said} />
      </div>
    );
  const { mix } = bench;
  return (
    <div data-testid="amount">
      {mix.state === 'none' && <p className={own.mixNow}>Mix {said.text}</p>}
      {mix.state === 'in use' && <p className={styles.quiet}>The mix on your palette goes on. If it runs out: {said.text}</p>}
      {mix.state === 'old' && (
        <>
          <p className={styles.quiet}>
            You last painted with this mix on {dayOfText(mix.usedAt)}. Has it kept?{' '}
            <Button onClick={onMixKept}>
              <kbd>K</kbd> It has kept
            </Button>
          </p>
          <p className={own.mixNow}>If not, mix {said.text}</p>
        </>
      )}
      {mix.state !== 'in use' && <Short said={said} />}
    </div>
  );
}

const Short = ({ said }: { said: Bench['figures']['amounts'][number] }) =>
  said.short && <Notice kind="flag">{said.short}: key C to use another paint.</Notice>;

/** What is still wet or resting, before it is taken up, and what could be done meanwhile. */
function Wet({ bench, now }: { bench: Bench; now: number }) {
  const { view } = bench;
  const tool = view.toolReadyAt > now && view.toolReadyAt >= view.readyAt;
  if (Math.max(view.readyAt, view.toolReadyAt) <= now || !Number.isFinite(view.readyAt)) return null;
  const minutes = minutesText(Math.max(0.1, (Math.max(view.readyAt, view.toolReadyAt) - now) / MINUTE_MS));
  return (
    <p className={own.wet} data-testid="wet">
      <span className={own.hatch} aria-hidden="true" />
      {tool ? `The tool has to rest for ${minutes}` : `Model ${view.model} is dry in ${minutes}`}
    </p>
  );
}

/** Rules that taking this up would break, said before the first tap. */
function Broken({ bench }: { bench: Bench }) {
  const [first] = bench.view.broken;
  if (!first) return null;
  return (
    <div data-testid="broken">
      <Notice kind="flag">
        {passWords(first.before)} is not done on {first.models.length === 1 ? 'model' : 'models'} {positionsText(first.models)}:{' '}
        {first.reason}
        {bench.view.broken.length > 1 && ` ${counted(bench.view.broken.length - 1, 'more earlier step')} not done.`}
      </Notice>
    </div>
  );
}

/** What was noted of this step or this model. */
function Notes({ bench }: { bench: Bench }) {
  const { view, state } = bench;
  const job = bench.job!;
  const notes = state.notes.filter(
    (note) => note.unit === job.unitId && (note.passKey === job.passKey || (view.model !== null && note.models.includes(view.model))),
  );
  if (notes.length === 0) return null;
  return (
    <p className={styles.quiet} data-testid="notes">
      {notes
        .slice(-NOTES_SHOWN)
        .map(({ text, models }) => `${models.length > 0 ? `Model ${positionsText(models)}: ` : ''}${text}`)
        .join(' · ')}
    </p>
  );
}

/** What a model of the unit may take, at the price and at its level. Not with a knife, a drill or a spray can in the hand. */
function Budget({ bench }: { bench: Bench }) {
  if (!allowsCountdown(bench.pass!.technique)) return null;
  return bench.figures.budgets
    .filter(({ unitId }) => unitId === bench.job!.unitId)
    .map(({ level, budget, spent, needed }) => (
      <p key={level} className={styles.quiet} data-testid={level === null ? 'budget' : 'level'}>
        {level === null ? 'The price pays' : `${level}:`} {minutesText(budget)} a model: {minutesText(spent)} spent,{' '}
        {spent <= budget ? `${minutesText(budget - spent)} left` : `${minutesText(spent - budget)} over`}, about {minutesText(needed)} to go
      </p>
    ));
}

/** Time on this model against its estimate; never a countdown with a knife or a spray can in the hand. */
function Timer({ bench, now, isLeader }: { bench: Bench; now: number; isLeader: boolean }) {
  const { view } = bench;
  const pass = bench.pass!;
  const minutes = likelyMinutes(bench, pass, view.model === null ? [] : [view.model]);
  if (!allowsCountdown(pass.technique)) return <p className={own.timer}>about {minutesText(minutes)} a model; take the time it needs</p>;
  const { workingSince, pausedSince } = view.clock;
  const since = Math.max(workingSince ?? 0, Number.isFinite(view.readyAt) ? view.readyAt : 0);
  const seconds = view.needsStart || workingSince === null ? 0 : Math.max(0, ((pausedSince ?? now) - since) / 1000);
  return (
    <p className={own.timer}>
      <span className={cx(own.clock, seconds > minutes * 60 && own.over)} data-testid="clock">
        {clockText(seconds)}
      </span>{' '}
      of about {clockText(minutes * 60)}
      {isLeader && ' for a leader'}
      {pausedSince !== null && <strong> paused</strong>}
    </p>
  );
}
