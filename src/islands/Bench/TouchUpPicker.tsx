import { Button } from '../../ui/Button/Button';
import type { MissedPlace } from '../../core/bench/viewBench';
import type { Bench } from './useBench';
import { passWords, unitWords } from './words';
import styles from './View.module.css';

interface TouchUpPickerProps {
  bench: Bench;
  onPick: (miss: MissedPlace) => void;
  onCancel: () => void;
}

/** Which missed spot was touched up, when there are several. */
export function TouchUpPicker({ bench, onPick, onCancel }: TouchUpPickerProps) {
  return (
    <div className={styles.ask} role="group" aria-label="Which spot was touched up?">
      <strong>Which spot was touched up?</strong>
      {bench.view.misses.slice(0, 9).map((miss, index) => (
        <Button key={`${miss.passKey} ${miss.model}`} onClick={() => onPick(miss)}>
          <kbd>{index + 1}</kbd> {unitWords(bench, miss.unitId)} {miss.model}: {passWords(bench.passes.get(miss.passKey)!)}
        </Button>
      ))}
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}
