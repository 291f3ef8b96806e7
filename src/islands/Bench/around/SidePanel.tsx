import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import type { BenchJob } from '../../../core/bench/guide/benchLine';
import { dryAt } from '../../../core/bench/guide/readiness';
import { labelOf } from '../../../core/scheme/model/techniques';
import { weightOf } from '../../../core/bench/replay/divideStretch';
import { paintedShare } from '../../../core/commission/estimate';
import { Bar } from '../../../ui/Bar/Bar';
import { Button } from '../../../ui/Button/Button';
import { Sure } from '../../../ui/Sure/Sure';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted, differenceText, minutesText, percentText, positionsText } from '../../../ui/format';
import { OtherWorkClock } from '../../shared/OtherWork';
import { Why } from '../../shared/Why';
import { LateTimes } from '../said/LateTimes';
import type { Bench } from '../taps/useBench';
import { WhileOpen } from './WhileOpen';
import { jobWords, passWords, trayWords, unitWords } from '../words';
import styles from './around.module.css';

interface SidePanelProps {
  bench: Bench;
  now: number;
  onTakeUp: (job: BenchJob) => void;
  onBringBack: (unit: string, models: number[]) => void;
}

const NEXT_SHOWN = 3;
const RACK_SHOWN = 3;
const MISSES_SHOWN = 5;

/** What stands around the work: how far, how long still, what comes next, what dries, what was missed. */
export function SidePanel({ bench, now, onTakeUp, onBringBack }: SidePanelProps) {
  return (
    <aside className={styles.side} aria-label="Around the work" tabIndex={0}>
      <Left bench={bench} />
      <Next bench={bench} now={now} onTakeUp={onTakeUp} />
      <WhileOpen bench={bench} />
      <Rack bench={bench} now={now} />
      <Misses bench={bench} />
      <Aside bench={bench} onBringBack={onBringBack} />
      <section aria-label="Other work">
        <h2 className={styles.sideTitle}>Other work</h2>
        <OtherWorkClock commissionId={null} />
      </section>
      <LateTimes rows={bench.figures.openRows} onSaved={bench.refreshFigures} />
    </aside>
  );
}

/** Hours left, and how they moved since you opened this page, with the reason. */
function Left({ bench }: { bench: Bench }) {
  const { view, figures, first, job } = bench;
  const share = figures.figures ? paintedShare(figures.figures) : 0;
  const now = figures.passes.find((each) => each.passKey === job?.passKey);
  const before = first.passes.find((each) => each.passKey === job?.passKey);
  const unit = job && bench.units.get(job.unitId)!;
  const leader = now && unit && unit.leaders.length > 0 ? now.p50 * weightOf([unit.leaders[0]!], unit) : null;
  return (
    <section aria-label="Hours left">
      <Bar full={1} label={`${percentText(share)} painted`} parts={[{ label: 'painted', value: share, look: 'solid' }]} />
      <small>
        {percentText(share)} painted: {view.modelsDone} of {view.modelsTotal} model-steps done
      </small>
      {figures.figures && (
        <dl className={styles.left}>
          <div>
            <dt>time left: expected</dt>
            <dd data-testid="likely">{minutesText(figures.figures.likely)}</dd>
          </div>
          <div>
            <dt>cautious</dt>
            <dd data-testid="safe">{minutesText(figures.figures.safe)}</dd>
          </div>
        </dl>
      )}
      <small data-testid="moved">
        {figures.figures &&
          first.figures &&
          `${differenceText(figures.figures.likely - first.figures.likely)} since you opened this page. `}
        {now && before && (
          <>
            This step: {minutesText(now.p50)} a model{leader !== null && ` (a leader ${minutesText(leader)})`}
            {Math.abs(now.p50 - before.p50) > 0.005 && `, was ${minutesText(before.p50)}`}. {now.why}
          </>
        )}
      </small>
      {now && <Why passKey={now.passKey} version={now.p50} />}
    </section>
  );
}

/** Why a job had better not be started now; null when nothing stands against it. */
function againstStarting({ view, passes }: Bench, job: BenchJob, now: number): string | null {
  const readyAt = view.readiness.firstReadyAt(job);
  if (readyAt <= now) return null;
  if (Number.isFinite(readyAt)) return `Ready in ${minutesText(Math.max(0.1, (readyAt - now) / MINUTE_MS))}`;
  const [rule] = view.readiness.broken(job.passKey, view.readiness.openModels(job));
  return rule ? `First: ${passWords(passes.get(rule.before.key)!)}` : null;
}

function Next({ bench, now, onTakeUp }: Pick<SidePanelProps, 'bench' | 'now' | 'onTakeUp'>) {
  const { nextJobs } = bench.view;
  const row = (job: BenchJob) => {
    const pass = bench.passes.get(job.passKey)!;
    const paint = bench.paints.get(job.paintId ?? '');
    const against = bench.view.putOff.has(job.passKey) ? 'Not this session' : againstStarting(bench, job, now);
    return (
      <li key={job.id}>
        <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
        <span>
          {paint?.name ?? labelOf(pass)}
          <small>
            {unitWords(bench, job.unitId)}
            {trayWords(bench, job)}, {passWords(pass)}
            {against && <strong>. {against}</strong>}
          </small>
        </span>
        <TakeUp against={against} what={jobWords(bench, job)} onTakeUp={() => onTakeUp(job)} />
      </li>
    );
  };
  return (
    <section aria-label="Next">
      <h2 className={styles.sideTitle}>Next</h2>
      <ul className={styles.next}>
        {nextJobs.slice(0, NEXT_SHOWN).map(row)}
        {nextJobs.length === 0 && <li>Nothing after this.</li>}
      </ul>
      {nextJobs.length > NEXT_SHOWN && (
        <details className={styles.more}>
          <summary>{counted(nextJobs.length - NEXT_SHOWN, 'more job')}</summary>
          <ul className={styles.next}>{nextJobs.slice(NEXT_SHOWN).map(row)}</ul>
        </details>
      )}
    </section>
  );
}

/** Takes a job up; where something stands against it, it is asked once more where it was pressed. */
function TakeUp({ against, what, onTakeUp }: { against: string | null; what: string; onTakeUp: () => void }) {
  if (against === null)
    return (
      <button type="button" className={styles.takeUp} onClick={onTakeUp} aria-label={`Start now: ${what}`}>
        start
      </button>
    );
  return (
    <Sure kind="quiet" label={`Start early: ${what}. ${against}`} question={`${against}.`} yes="Start now" onYes={onTakeUp}>
      start early
    </Sure>
  );
}

/** What is wet, pass by pass, the first to dry on top. */
function Rack({ bench, now }: { bench: Bench; now: number }) {
  const places = new Map<string, { unitId: string; models: number; dryAt: number; dryMinutes: number }>();
  for (const place of bench.drying) {
    const mark = bench.state.marks.get(place.passKey)!.get(place.model)!;
    const known = places.get(place.passKey);
    places.set(place.passKey, {
      unitId: place.unitId,
      models: (known?.models ?? 0) + 1,
      dryAt: Math.max(known?.dryAt ?? 0, dryAt(mark)),
      dryMinutes: mark.dryMinutes,
    });
  }
  const last = Math.max(0.1, ...[...places.values()].map((place) => (place.dryAt - now) / MINUTE_MS));
  return (
    <section aria-label="Drying rack">
      <h2 className={styles.sideTitle}>Drying rack</h2>
      <ul className={styles.rack}>
        {[...places].slice(0, RACK_SHOWN).map(([key, place]) => {
          const left = (place.dryAt - now) / MINUTE_MS;
          return (
            <li key={key}>
              <span className={styles.emptying} aria-hidden="true">
                <span style={{ width: `${Math.min(100, (100 * left) / Math.max(place.dryMinutes, 1))}%` }} />
              </span>
              {unitWords(bench, place.unitId)}, {passWords(bench.passes.get(key)!)}: {counted(place.models, 'model')},{' '}
              {minutesText(Math.max(0.1, left))}
            </li>
          );
        })}
        {places.size > RACK_SHOWN && (
          <li>
            and {counted(places.size - RACK_SHOWN, 'more step')}, last dry in {minutesText(last)}
          </li>
        )}
        {places.size === 0 && <li>Everything is dry.</li>}
      </ul>
    </section>
  );
}

function Misses({ bench }: { bench: Bench }) {
  const { misses } = bench.view;
  if (misses.length === 0) return null;
  return (
    <section aria-label="Missed spots">
      <h2 className={styles.sideTitle}>Missed spots</h2>
      <ul className={styles.misses} data-testid="misses">
        {misses.slice(0, MISSES_SHOWN).map(({ passKey, unitId, model, note }) => (
          <li key={`${passKey} ${model}`}>
            {unitWords(bench, unitId)} model {model}: {passWords(bench.passes.get(passKey)!)}
            {note && `, ${note}`}
          </li>
        ))}
        {misses.length > MISSES_SHOWN && <li>and {misses.length - MISSES_SHOWN} more</li>}
      </ul>
    </section>
  );
}

function Aside({ bench, onBringBack }: Pick<SidePanelProps, 'bench' | 'onBringBack'>) {
  const aside = bench.line.units.flatMap((unit) => {
    const models = [...(bench.state.aside.get(unit.id)?.keys() ?? [])].sort((a, b) => a - b);
    return models.length > 0 ? [{ unit, models }] : [];
  });
  if (aside.length === 0) return null;
  return (
    <section aria-label="Set aside">
      <h2 className={styles.sideTitle}>Set aside</h2>
      <ul className={styles.misses} data-testid="aside">
        {aside.map(({ unit, models }) => (
          <li key={unit.id}>
            {unitWords(bench, unit.id)}: {positionsText(models)}{' '}
            <Button kind="quiet" onClick={() => onBringBack(unit.id, models)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
