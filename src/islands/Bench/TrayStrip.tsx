import { readyAt } from '../../core/bench/benchView';
import { Hidden } from '../../ui/Hidden/Hidden';
import { cx } from '../../ui/cx';
import type { Bench } from './useBench';
import styles from './View.module.css';

type Look = 'todo' | 'now' | 'wet' | 'done' | 'missed';

const LOOK_WORDS = { todo: 'to do', now: 'in hand', wet: 'still wet', done: 'done', missed: 'a spot missed' } as const satisfies Record<
  Look,
  string
>;

/** Every model of the tray in its place, told by shape: solid is done, a hatch dries, a notch was missed. */
export function TrayStrip({ bench, now }: { bench: Bench; now: number }) {
  const job = bench.job!;
  const lookOf = (model: number): Look => {
    const mark = bench.state.marks.get(job.passKey)?.get(model);
    if (mark) return mark.state;
    if (model === bench.view.model) return 'now';
    return readyAt(bench.run, bench.state, job, model) > now ? 'wet' : 'todo';
  };
  const done = job.models.filter((model) => lookOf(model) === 'done').length;
  return (
    <ol className={styles.tray} aria-label={`Tray of ${job.unitName}: ${done} of ${job.models.length} done`} data-testid="tray">
      {job.models.map((model) => {
        const look = lookOf(model);
        return (
          <li key={model} className={cx(styles.model, styles[look])} data-look={look}>
            <span className={styles.modelNumber}>{model}</span>
            <Hidden>{LOOK_WORDS[look]}</Hidden>
          </li>
        );
      })}
    </ol>
  );
}
