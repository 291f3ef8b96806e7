import { Hidden } from '../../../ui/Hidden/Hidden';
import { cx } from '../../../ui/cx';
import type { Bench } from '../taps/useBench';
import { lackWords, unitWords } from '../words';
import styles from './TrayStrip.module.css';

type Look = 'todo' | 'now' | 'wet' | 'lacking' | 'done' | 'missed' | 'aside';

const LOOK_WORDS = {
  todo: 'to do',
  now: 'in hand',
  wet: 'still wet',
  lacking: 'an earlier step is not done',
  done: 'done',
  missed: 'a spot missed',
  aside: 'set aside',
} as const satisfies Record<Look, string>;

interface TrayStripProps {
  bench: Bench;
  now: number;
  onPick: (model: number) => void;
}

/** Every model of the tray in its place, told by shape: solid is done, a hatch dries, a notch was missed. One is taken by a tap. */
export function TrayStrip({ bench, now, onPick }: TrayStripProps) {
  const job = bench.job!;
  const { view, state } = bench;
  const lookOf = (model: number): Look => {
    const mark = state.marks.get(job.passKey)?.get(model);
    if (mark) return mark.missed ? 'missed' : 'done';
    if (state.aside.get(job.unitId)?.has(model)) return 'aside';
    if (model === view.model) return 'now';
    const { readyAt } = view.readiness.of(job.passKey, model);
    if (!Number.isFinite(readyAt)) return 'lacking';
    return readyAt > now ? 'wet' : 'todo';
  };
  const lackOf = (model: number) =>
    view.readiness.broken(job.passKey, [model]).map(({ before }) => lackWords(before))[0] ?? LOOK_WORDS.lacking;
  const looks = job.models.map((model) => ({ model, look: lookOf(model) }));
  const done = looks.filter(({ look }) => look === 'done').length;
  return (
    <ol
      className={styles.tray}
      aria-label={`Tray of ${unitWords(bench, job.unitId)}: ${done} of ${job.models.length} done`}
      data-testid="tray"
    >
      {looks.map(({ model, look }) => (
        <li key={model}>
          <button
            type="button"
            className={cx(styles.model, styles[look])}
            data-look={look}
            data-model={model}
            disabled={look === 'done' || look === 'missed'}
            onClick={() => onPick(model)}
          >
            <span className={styles.modelNumber}>{model}</span>
            <Hidden>{look === 'lacking' ? lackOf(model) : LOOK_WORDS[look]}</Hidden>
          </button>
        </li>
      ))}
    </ol>
  );
}
