import type { JobInfo } from '../../core/scheme/buildLine';
import { factsOf } from '../../core/scheme/techniques';
import { Button } from '../../ui/Button/Button';
import styles from './View.module.css';

interface MissPickerProps {
  model: number | null;
  /** Passes painted on the model, the latest first. */
  choices: JobInfo[];
  onPick: (jobId: string) => void;
  onCancel: () => void;
}

/** Which earlier pass left a spot out; the latest is one Space away. */
export function MissPicker({ model, choices, onPick, onCancel }: MissPickerProps) {
  return (
    <div className={styles.ask} role="group" aria-label={`What was missed on model ${model}?`}>
      <strong>
        {choices.length === 0 ? `Nothing was painted on model ${model} on this line yet.` : `What was missed on model ${model}?`}
      </strong>
      {choices.slice(0, 9).map((job, index) => (
        <Button key={job.id} onClick={() => onPick(job.id)}>
          <kbd>{index + 1}</kbd> {job.partName ?? 'everything'}, {factsOf(job.technique).label.toLowerCase()}
        </Button>
      ))}
      <Button kind="quiet" onClick={onCancel}>
        Nothing after all
      </Button>
    </div>
  );
}
