import { includesStandard, type Paint, type Standard, type Step, type Unit } from '../../core/scheme/definitions';
import type { HouseRules } from '../../core/scheme/houseRules';
import { factsOf } from '../../core/scheme/techniques';
import type { CommissionEstimate } from '../../core/views/estimate';
import { Button } from '../../ui/Button/Button';
import { SelectField } from '../../ui/Field/Field';
import { NumberField } from '../../ui/Field/NumberField';
import { Notice } from '../../ui/Notice/Notice';
import { counted, differenceText, minutesText } from '../../ui/format';
import { standardNames, techniqueOptions, whoOptions } from '../shared/options';
import { stepCost } from './costs';
import { PaintPicker } from './PaintPicker';
import { reasonsFor } from './reasons';
import styles from './View.module.css';

interface StepEditorProps {
  unit: Unit;
  step: Step | null;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: CommissionEstimate;
  onChange: (part: Partial<Step>) => void;
  onRemove: () => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

/** The step in hand: what it is, what it costs, and why it stands where it stands. */
export function StepEditor({ unit, step, standard, paints, house, estimate, onChange, onRemove, onNewPaint }: StepEditorProps) {
  if (!step) {
    return (
      <aside className={styles.editor} aria-label="The step in hand">
        <p className={styles.hint}>
          Choose a step to change its technique, paint, coats or who takes it. Order rules are applied by the program: a step shows what it
          has to wait for, and why.
        </p>
      </aside>
    );
  }
  const facts = factsOf(step.technique);
  const cost = stepCost(unit, step, estimate, house.leaderFactor);
  return (
    <aside className={styles.editor} aria-label="The step in hand">
      <div className={styles.editorFields}>
        <SelectField
          label="Technique"
          value={step.technique}
          options={techniqueOptions}
          onChange={(technique) => onChange({ technique })}
        />
        {facts.usesPaint && (
          <PaintPicker
            label="Paint"
            value={step.paintId}
            paints={paints}
            onChange={(paintId) => onChange({ paintId })}
            onNewPaint={onNewPaint}
          />
        )}
        <div className={styles.pair}>
          <NumberField label="Coats" whole min={1} max={10} value={step.coats} onChange={(coats) => coats && onChange({ coats })} />
          <NumberField
            label="Covers"
            unit="% of it"
            min={0.1}
            max={100}
            value={Math.round(step.coverage * 1000) / 10}
            onChange={(share) => share && onChange({ coverage: share / 100 })}
          />
        </div>
        <div className={styles.pair}>
          <SelectField label="For" value={step.who} options={whoOptions} onChange={(who) => onChange({ who })} />
          <SelectField
            label="From the standard"
            value={step.standard}
            options={standardNames}
            onChange={(value) => onChange({ standard: value })}
          />
        </div>
        <NumberField
          label="Dry after, if not as usual"
          unit="min"
          optional
          min={0}
          max={10000}
          placeholder={String(paints.find((paint) => paint.id === step.paintId)?.dryMinutes ?? facts.dryMinutes)}
          value={step.dryMinutes}
          onChange={(dryMinutes) => onChange({ dryMinutes })}
        />
      </div>
      <div className={styles.costs}>
        <p>
          <strong>
            {minutesText(cost.perModel * step.coats)} a model, {minutesText(cost.unitMinutes)} over {counted(cost.models, 'model')}
          </strong>
        </p>
        <p>{cost.why}</p>
        <p>
          A further coat: {differenceText(cost.perCoat)}. Left out: {differenceText(-cost.unitMinutes)}.
        </p>
        {!includesStandard(standard, step.standard) && <p>Above the standard paid for ({standard}): it is not planned.</p>}
      </div>
      {facts.caution && <Notice kind="caution">{facts.caution}</Notice>}
      <details className={styles.reasons}>
        <summary>Why it stands where it stands</summary>
        <ul>
          {reasonsFor(unit, step, standard, paints, house).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      </details>
      <Button onClick={onRemove}>Take the step out</Button>
    </aside>
  );
}
