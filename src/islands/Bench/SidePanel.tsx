import type { JobInfo } from '../../core/scheme/buildLine';
import type { Paint } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import { Bar } from '../../ui/Bar/Bar';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, differenceText, minutesText, percentText } from '../../ui/format';
import type { Bench } from './useBench';
import styles from './View.module.css';

interface SidePanelProps {
  bench: Bench;
  paints: Paint[];
  now: number;
  onTakeUp: (jobId: string) => void;
}

const MINUTE_MS = 60_000;
const NEXT_SHOWN = 3;
const RACK_SHOWN = 2;

/** What stands around the work: how far, how long still, what comes next, what dries, what was missed. */
export function SidePanel({ bench, paints, now, onTakeUp }: SidePanelProps) {
  const paintOf = (job: JobInfo) => paints.find((paint) => paint.id === job.paintId) ?? null;
  return (
    <aside className={styles.side} aria-label="Around the work" tabIndex={0}>
      <Left bench={bench} />
      <section aria-label="Next">
        <h2 className={styles.sideTitle}>Next</h2>
        <ul className={styles.next}>
          {bench.view.nextJobs.slice(0, NEXT_SHOWN).map((id) => {
            const job = bench.jobs.get(id)!;
            const paint = paintOf(job);
            return (
              <li key={id}>
                <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
                <span>
                  {paint?.name ?? factsOf(job.technique).label}
                  <small>
                    {factsOf(job.technique).label.toLowerCase()}, {job.unitName}, {job.partName?.toLowerCase() ?? 'everything'}
                  </small>
                </span>
                <button
                  type="button"
                  className={styles.takeUp}
                  onClick={() => onTakeUp(id)}
                  aria-label={`Take up now: ${paint?.name ?? factsOf(job.technique).label} on ${job.unitName}, ${job.partName ?? 'everything'}`}
                >
                  now
                </button>
              </li>
            );
          })}
          {bench.view.nextJobs.length === 0 && <li>Nothing after this.</li>}
        </ul>
      </section>
      <Rack bench={bench} now={now} />
      {bench.view.misses.length > 0 && (
        <section aria-label="Misses">
          <h2 className={styles.sideTitle}>Missed spots</h2>
          <ul className={styles.misses} data-testid="misses">
            {bench.view.misses.map(({ job, model }) => (
              <li key={`${job} ${model}`}>
                {bench.jobs.get(job)!.unitName} model {model}: {bench.jobs.get(job)!.partName ?? 'everything'},{' '}
                {paintOf(bench.jobs.get(job)!)?.name ?? ''}
              </li>
            ))}
          </ul>
        </section>
      )}
    </aside>
  );
}

/** Hours left, and how they moved since this window was opened, with the reason. */
function Left({ bench }: { bench: Bench }) {
  const { view, estimate, before, job } = bench;
  const share = view.modelsTotal > 0 ? view.modelsDone / view.modelsTotal : 0;
  const pass = estimate.passes.find((each) => each.passKey === job?.passKey);
  const passBefore = before.passes.find((each) => each.passKey === job?.passKey);
  return (
    <section aria-label="Hours left">
      <Bar full={1} label={`${percentText(share)} of this line painted`} parts={[{ label: 'painted', value: share, look: 'solid' }]} />
      <small>
        {view.modelsDone} of {view.modelsTotal} model-steps of this line
      </small>
      <dl className={styles.left}>
        <div>
          <dt>likely left</dt>
          <dd data-testid="likely">{minutesText(estimate.likelyMinutes)}</dd>
        </div>
        <div>
          <dt>safe</dt>
          <dd data-testid="safe">{minutesText(estimate.safeMinutes)}</dd>
        </div>
      </dl>
      <small data-testid="moved">
        {differenceText(estimate.likelyMinutes - before.likelyMinutes)} since this window was opened.{' '}
        {pass && passBefore && (
          <>
            This step: {minutesText(pass.p50)} a model
            {Math.abs(pass.p50 - passBefore.p50) > 0.005 && `, was ${minutesText(passBefore.p50)}`}. {pass.why}
          </>
        )}
      </small>
    </section>
  );
}

/** Which tray of its unit, where there are several. */
function trayOf(bench: Bench, trayId: string): string {
  const [unitId, number] = trayId.split('/');
  const trays = new Set(bench.run.jobs.filter((job) => job.unitId === unitId).map((job) => job.trayId));
  return trays.size > 1 ? ` tray ${number}` : '';
}

/** What is wet, job by job, the first to dry on top. */
function Rack({ bench, now }: { bench: Bench; now: number }) {
  const jobs = new Map<string, { models: number; dryAt: number; dryMinutes: number }>();
  const add = (what: string, dryAt: number, dryMinutes: number) => {
    const known = jobs.get(what);
    jobs.set(what, { models: (known?.models ?? 0) + 1, dryAt: Math.max(known?.dryAt ?? 0, dryAt), dryMinutes });
  };
  for (const { what, dryAt } of bench.run.stillWet.filter((wet) => wet.dryAt > now)) add(what, dryAt, (dryAt - now) / MINUTE_MS);
  for (const { job, dryAt } of bench.drying(now)) {
    const { unitName, partName, trayId, dryMinutes } = bench.jobs.get(job)!;
    add(`${unitName}${trayOf(bench, trayId)}, ${partName?.toLowerCase() ?? 'everything'}`, dryAt, dryMinutes);
  }
  const lastDry = Math.max(0.1, ...[...jobs.values()].map(({ dryAt }) => (dryAt - now) / MINUTE_MS));
  return (
    <section aria-label="Drying rack">
      <h2 className={styles.sideTitle}>Drying rack</h2>
      <ul className={styles.rack}>
        {[...jobs].slice(0, RACK_SHOWN).map(([what, { models, dryAt, dryMinutes }]) => {
          const left = (dryAt - now) / MINUTE_MS;
          return (
            <li key={what}>
              <span className={styles.emptying} aria-hidden="true">
                <span style={{ width: `${Math.min(100, (100 * left) / Math.max(dryMinutes, 1))}%` }} />
              </span>
              {what}: {counted(models, 'model')}, {minutesText(Math.max(0.1, left))}
            </li>
          );
        })}
        {jobs.size > RACK_SHOWN && (
          <li>
            and {counted(jobs.size - RACK_SHOWN, 'more pass', 'more passes')}, last dry in {minutesText(lastDry)}
          </li>
        )}
        {jobs.size === 0 && <li>Nothing is wet.</li>}
      </ul>
    </section>
  );
}
