import { useState } from 'react';
import type { MissedPlace } from '../../../core/bench/guide/viewBench';
import type { PaintedPass, PaintedUnit } from '../../../contract/bench';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { usePicture } from '../../client/usePicture';
import { ModelChips } from '../guide/ModelChips';
import type { Bench } from '../taps/useBench';
import { passWords, unitWords } from '../words';
import styles from './said.module.css';

interface TouchUpPickerProps {
  bench: Bench;
  onPick: (miss: MissedPlace) => void;
  onTouchUp: (unitId: string, pass: PaintedPass, models: number[], minutes: number | null) => void;
  onCancel: () => void;
}

/** Which spot was touched up: one that was missed, or any that is painted, also of a unit that is not on the line. */
export function TouchUpPicker({ bench, onPick, onTouchUp, onCancel }: TouchUpPickerProps) {
  const { misses } = bench.view;
  const [isElsewhere, setElsewhere] = useState(misses.length === 0);
  if (isElsewhere) return <AnyPlace bench={bench} onTouchUp={onTouchUp} onCancel={onCancel} />;
  return (
    <div className={styles.ask} role="group" aria-label="Which spot was touched up?">
      <strong>Which spot was touched up?</strong>
      {misses.slice(0, 9).map((miss, index) => (
        <Button key={`${miss.passKey} ${miss.model}`} onClick={() => onPick(miss)}>
          <kbd>{index + 1}</kbd> {unitWords(bench, miss.unitId)} {miss.model}: {passWords(bench.passes.get(miss.passKey)!)}
        </Button>
      ))}
      <Button kind="quiet" onClick={() => setElsewhere(true)}>
        Another place …
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}

function AnyPlace({ bench, onTouchUp, onCancel }: Omit<TouchUpPickerProps, 'onPick'>) {
  const { picture: units, error } = usePicture<PaintedUnit[]>('/api/bench/painted');
  if (!units || units.length === 0)
    return (
      <div className={styles.ask} role="group" aria-label="What was touched up?">
        <strong role={error === null ? 'status' : 'alert'}>
          {error ?? (units ? 'Nothing is painted yet, so there is nothing to touch up.' : 'Looking for what is painted …')}
        </strong>
        <Button kind="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </div>
    );
  return <PlaceForm units={units} unitInHand={bench.job?.unitId} onTouchUp={onTouchUp} onCancel={onCancel} />;
}

interface PlaceFormProps extends Pick<TouchUpPickerProps, 'onTouchUp' | 'onCancel'> {
  units: readonly PaintedUnit[];
  unitInHand: string | undefined;
}

function PlaceForm({ units, unitInHand, onTouchUp, onCancel }: PlaceFormProps) {
  const [unitId, setUnitId] = useState(units.find(({ id }) => id === unitInHand)?.id ?? units[0]!.id);
  const [passKey, setPassKey] = useState<string | null>(null);
  const [models, setModels] = useState<ReadonlySet<number>>(new Set());
  const [minutes, setMinutes] = useState<number | null>(null);
  const unit = units.find(({ id }) => id === unitId)!;
  const pass = unit.passes.find(({ key }) => key === passKey) ?? unit.passes[0]!;
  const chosen = pass.models.filter((model) => models.has(model));
  return (
    <div className={styles.ask} role="group" aria-label="What was touched up?">
      <SelectField
        label="Unit"
        value={unit.id}
        options={units.map(({ id, name, commission }) => ({ value: id, label: `${name} (${commission})` }))}
        onChange={(id) => {
          setUnitId(id);
          setPassKey(null);
          setModels(new Set());
        }}
      />
      <SelectField
        label="What was touched up?"
        value={pass.key}
        options={unit.passes.map((each) => ({ value: each.key, label: passWords(each) }))}
        onChange={(key) => {
          setPassKey(key);
          setModels(new Set());
        }}
      />
      <ModelChips label="On which models?" models={pass.models} chosen={new Set(chosen)} onChange={setModels} />
      <NumberField live label="It took" unit="min" optional value={minutes} min={0.1} max={10_080} onChange={setMinutes} />
      <Button disabled={chosen.length === 0} onClick={() => onTouchUp(unit.id, pass, chosen, minutes)}>
        {chosen.length === 0 ? 'Choose models' : 'Touched up'}
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}
