import { useState } from 'react';
import type { InspectedModel, StepSaid, UnitInspection } from '../../../core/finish/inspection';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { counted } from '../../../ui/format';
import shared from '../View.module.css';
import styles from './inspect.module.css';

interface FoundProps {
  unit: UnitInspection;
  model: InspectedModel;
  /** What may have been missed on it, the likeliest first. */
  choices: readonly StepSaid[];
  /** The step that one tap on a model marks as missed; null while taps only choose. */
  sought: string | null;
  onSought: (passKey: string | null) => void;
  onMiss: (passKey: string, note: string) => void;
}

const KEYS = 9;

/** The model in hand against what it should have, and what was found on it. */
export function Found({ unit, model, choices, sought, onSought, onMiss }: FoundProps) {
  const [note, setNote] = useState('');
  const miss = (passKey: string) => {
    onMiss(passKey, note.trim());
    setNote('');
  };
  const all = [...new Map(unit.models.flatMap(({ painted }) => painted).map((step) => [step.passKey, step.what])).entries()];
  return (
    <Panel title={`Model ${model.model}${model.who.length > 0 ? `: ${model.who.join(', ')}` : ''}`} className={styles.found}>
      <p data-testid="has">
        {model.takes === 0
          ? 'No step is for it: give it one in the Scheme.'
          : `${model.takes - model.left.length} of ${counted(model.takes, 'step')} painted, ${model.standard} standard.`}
        {model.aside !== null && ` Set aside${model.aside === '' ? '' : `: ${model.aside}`}.`}
      </p>
      <Steps title="Not painted yet" steps={model.left} />
      <Steps title="Left out on purpose" steps={model.without} />
      {model.misses.length > 0 && (
        <div>
          <strong>To mend</strong>
          <ul>
            {model.misses.map((spot) => (
              <li key={spot.passKey}>
                {spot.what}
                {spot.note !== '' && `: ${spot.note}`}
              </li>
            ))}
          </ul>
        </div>
      )}
      {choices.length > 0 && (
        <div className={shared.column} role="group" aria-label={`What was found on model ${model.model}`}>
          <strong>Found a spot? Say where</strong>
          <TextField
            label="What it is"
            hideLabel
            placeholder="What it is, if it helps: spatter on the chin"
            value={note}
            maxLength={4000}
            onChange={setNote}
          />
          <div className={styles.choices}>
            {choices.map(({ passKey, what }, index) => (
              <Button key={passKey} kind="quiet" onClick={() => miss(passKey)}>
                {index < KEYS && <kbd>{index + 1}</kbd>} {what}
              </Button>
            ))}
          </div>
        </div>
      )}
      {all.length > 0 && (
        <SelectField
          label="Look for one thing: a tap on a model marks it"
          value={sought ?? ''}
          options={[{ value: '', label: 'nothing: taps choose a model' }, ...all.map(([value, label]) => ({ value, label }))]}
          onChange={(value) => onSought(value === '' ? null : value)}
        />
      )}
    </Panel>
  );
}

const MOST_SHOWN = 6;

function Steps({ title, steps }: { title: string; steps: readonly StepSaid[] }) {
  if (steps.length === 0) return null;
  return (
    <details open={steps.length <= MOST_SHOWN}>
      <summary>
        {title}: {steps.length}
      </summary>
      <ul>
        {steps.map(({ passKey, what }) => (
          <li key={passKey}>{what}</li>
        ))}
      </ul>
    </details>
  );
}
