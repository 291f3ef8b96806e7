import { useState } from 'react';
import type { BenchJob } from '../../../core/bench/guide/benchLine';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { ModelChips } from '../guide/ModelChips';
import type { Bench } from '../taps/useBench';
import { jobWords } from '../words';
import styles from './said.module.css';

interface SheetEntryProps {
  bench: Bench;
  onTick: (job: BenchJob, models: number[], minutes: number | null) => void;
  onCancel: () => void;
}

/** Work that was painted without the screen: from the leg sheet, with the minutes written on it or without. */
export function SheetEntry({ bench, onTick, onCancel }: SheetEntryProps) {
  const { readiness } = bench.view;
  const open = bench.line.jobs.filter((job) => readiness.openModels(job).length > 0);
  const [id, setId] = useState((bench.job ?? open[0])?.id ?? '');
  const job = open.find((each) => each.id === id) ?? open[0];
  const models = job ? readiness.openModels(job) : [];
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [minutes, setMinutes] = useState<number | null>(null);
  if (!job) return null;
  const chosen = models.filter((model) => !left.has(model));
  return (
    <div className={styles.ask} role="group" aria-label="Enter what was painted without ticking">
      <SelectField
        label="What was painted?"
        value={job.id}
        options={open.map((each) => ({ value: each.id, label: jobWords(bench, each) }))}
        onChange={(next) => {
          setId(next);
          setLeft(new Set());
        }}
      />
      <ModelChips
        label="Which models?"
        models={models}
        chosen={new Set(chosen)}
        onChange={(next) => setLeft(new Set(models.filter((model) => !next.has(model))))}
      />
      <NumberField live label="All together took" unit="min" optional value={minutes} min={0.1} max={10_080} onChange={setMinutes} />
      <Button disabled={chosen.length === 0} onClick={() => onTick(job, chosen, minutes)}>
        Tick {chosen.length} off {minutes === null ? 'without time' : ''}
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}
