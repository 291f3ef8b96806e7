import type { BenchPass } from '../../../core/bench/guide/benchLine';
import { Button } from '../../../ui/Button/Button';
import { rangeText } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import { passWords, unitWords } from '../words';
import styles from '../View.module.css';

interface LookAtOthersProps {
  bench: Bench;
  /** What was missed just now, and on which model. */
  pass: BenchPass;
  model: number;
  onMark: () => void;
  onFine: () => void;
}

/** A spot missed on one model was likely missed on those before it. */
export function LookAtOthers({ bench, pass, model, onMark, onFine }: LookAtOthersProps) {
  return (
    <p className={styles.quiet} data-testid="look-at-others">
      Look at {unitWords(bench, pass.unitId)} {model === 2 ? 'model' : 'models'} {rangeText(1, model - 1)} for the same spot (
      {passWords(pass)})?{' '}
      <Button onClick={onMark}>
        <kbd>L</kbd> Mark those that have it
      </Button>{' '}
      <Button kind="quiet" onClick={onFine}>
        They are fine
      </Button>
    </p>
  );
}
