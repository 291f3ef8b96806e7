import { useState, type KeyboardEvent } from 'react';
import type { BenchPass } from '../../../core/bench/guide/benchLine';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import type { Bench } from '../taps/useBench';
import { ModelChips, toggled } from '../guide/ModelChips';
import { passWords, unitWords } from '../words';
import styles from './said.module.css';

/** What the form starts from: some models under a pass. */
export interface MissStart {
  passKey: string;
  models: number[];
}

interface MissPickerProps {
  bench: Bench;
  /** Passes painted on the model in hand, the latest first. */
  choices: BenchPass[];
  /** Null offers the model in hand first; else the form is open at once. */
  start: MissStart | null;
  onMiss: (pass: BenchPass, models: number[], note: string) => void;
  onCancel: () => void;
}

const QUICK_CHOICES = 9;
const MOST_BY_DIGIT = 10;

/** Which earlier pass left a spot out: on the model in hand by one key, on any models of any unit in the form. */
export function MissPicker({ bench, choices, start, onMiss, onCancel }: MissPickerProps) {
  const [isForm, setForm] = useState(start !== null || choices.length === 0);
  const { model } = bench.view;
  if (isForm)
    return (
      <MissForm
        bench={bench}
        start={start ?? (choices[0] ? { passKey: choices[0].key, models: [] } : firstDone(bench))}
        onMiss={onMiss}
        onCancel={onCancel}
      />
    );
  return (
    <div className={styles.ask} role="group" aria-label={`What was missed on model ${model}?`}>
      <strong>What was missed on model {model}?</strong>
      {choices.slice(0, QUICK_CHOICES).map((pass, index) => (
        <Button key={pass.key} onClick={() => onMiss(pass, [model!], '')}>
          <kbd>{index + 1}</kbd> {passWords(pass)}
        </Button>
      ))}
      <Button kind="quiet" onClick={() => setForm(true)}>
        Other models …
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}

/** A pass that something is painted under, of the unit in hand where there is one. */
function firstDone({ line, state, job }: Bench): MissStart | null {
  const done = line.passes.filter((pass) => (state.marks.get(pass.key)?.size ?? 0) > 0);
  const pass = done.findLast((each) => each.unitId === job?.unitId) ?? done.at(-1);
  return pass ? { passKey: pass.key, models: [] } : null;
}

function MissForm({ bench, start, onMiss, onCancel }: Omit<MissPickerProps, 'choices'>) {
  const [passKey, setPassKey] = useState(start?.passKey ?? null);
  const [models, setModels] = useState<ReadonlySet<number>>(new Set(start?.models));
  const [note, setNote] = useState('');
  const painted = bench.line.passes.filter((pass) => (bench.state.marks.get(pass.key)?.size ?? 0) > 0);
  const pass = painted.find((each) => each.key === passKey);
  if (!pass)
    return (
      <div className={styles.ask} role="group" aria-label="Mark missed spots">
        <strong>Nothing is painted on this line yet, so nothing can be missed.</strong>
        <Button kind="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </div>
    );
  const done = [...bench.state.marks.get(pass.key)!.keys()].sort((a, b) => a - b);
  const chosen = done.filter((model) => models.has(model));
  /** A digit is the model of that number, 0 the tenth; Enter marks. */
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.target instanceof HTMLElement && event.target.matches('input, select, button')) return;
    const model = Number(event.key) || MOST_BY_DIGIT;
    if (/^\d$/.test(event.key) && done.includes(model)) setModels(toggled(models, model));
    else if (event.key === 'Enter' && chosen.length > 0) onMiss(pass, chosen, note.trim());
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className={styles.ask} role="group" aria-label="Mark missed spots" onKeyDown={onKeyDown}>
      <SelectField
        label="What was missed?"
        value={pass.key}
        options={painted.map((each) => ({ value: each.key, label: `${unitWords(bench, each.unitId)}: ${passWords(each)}` }))}
        onChange={(key) => {
          setPassKey(key);
          setModels(new Set());
        }}
      />
      <ModelChips label="On which models?" models={done} chosen={models} onChange={setModels} />
      <TextField label="Where?" placeholder="under the arm" value={note} onChange={setNote} maxLength={200} />
      <Button disabled={chosen.length === 0} onClick={() => onMiss(pass, chosen, note.trim())}>
        {chosen.length === 0 ? 'Choose models' : `Mark ${chosen.length} as missed`}
      </Button>
      <Button kind="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </div>
  );
}
