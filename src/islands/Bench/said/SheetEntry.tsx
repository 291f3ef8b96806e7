import { useState } from 'react';
import type { BenchJob } from '../../../core/bench/guide/benchLine';
import { openStages, type OpenStage } from '../../../core/bench/guide/openStages';
import { STAGE_LABELS } from '../../../core/scheme/model/moments';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { counted } from '../../../ui/format';
import { ModelChips } from '../guide/ModelChips';
import type { Bench } from '../taps/useBench';
import { jobWords, unitWords } from '../words';
import styles from './said.module.css';

interface SheetEntryProps {
  bench: Bench;
  onTick: (job: BenchJob, models: number[], minutes: number | null) => void;
  onTickStage: (stage: OpenStage, minutes: number | null) => void;
  onCancel: () => void;
}

const stageId = ({ unitId, moment }: OpenStage): string => `stage ${unitId} ${moment}`;

/** Work that was painted without the screen: from the leg sheet, job by job or a whole stage at once, with the minutes or without. */
export function SheetEntry({ bench, onTick, onTickStage, onCancel }: SheetEntryProps) {
  const { readiness } = bench.view;
  const open = bench.line.jobs.filter((job) => readiness.openModels(job).length > 0);
  const stages = openStages(bench.line, readiness);
  const [id, setId] = useState((bench.job ?? open[0])?.id ?? '');
  const stage = stages.find((each) => stageId(each) === id);
  const job = open.find((each) => each.id === id) ?? open[0];
  const models = job ? readiness.openModels(job) : [];
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [minutes, setMinutes] = useState<number | null>(null);
  if (!job) return null;
  const chosen = models.filter((model) => !left.has(model));
  const withoutTime = minutes === null ? ' without time' : '';
  return (
    <div className={styles.ask} role="group" aria-label="Enter what was painted without ticking">
      <SelectField
        label="What was painted?"
        value={stage ? id : job.id}
        options={[
          ...open.map((each) => ({ value: each.id, label: jobWords(bench, each) })),
          ...stages.map((each) => ({
            value: stageId(each),
            label: `${unitWords(bench, each.unitId)}, all of the stage: ${STAGE_LABELS[each.moment].toLowerCase()} (${counted(each.jobs.length, 'job')})`,
          })),
        ]}
        onChange={(next) => {
          setId(next);
          setLeft(new Set());
        }}
      />
      {!stage && (
        <ModelChips
          label="Which models?"
          models={models}
          chosen={new Set(chosen)}
          onChange={(next) => setLeft(new Set(models.filter((model) => !next.has(model))))}
        />
      )}
      <NumberField live label="All together took" unit="min" optional value={minutes} min={0.1} max={10_080} onChange={setMinutes} />
      {stage ? (
        <Button onClick={() => onTickStage(stage, minutes)}>
          Mark {counted(stage.jobs.length, 'job')} done{withoutTime}
        </Button>
      ) : (
        <Button disabled={chosen.length === 0} onClick={() => onTick(job, chosen, minutes)}>
          Mark {chosen.length} done{withoutTime}
        </Button>
      )}
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}
