import { useState } from 'react';
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
import { HalfDone } from './HalfDone';
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
  /** Models painted under this step. */
  painted: number[];
  /** Says of them that they count as done under these coats, or are painted again. */
  onEvents: (kind: 'kept' | 'reopened', coats: number[]) => Promise<unknown> | null;
  onRemove: () => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

/** The step in hand: what it is, what it costs, and why it stands there. */
export function StepEditor(props: StepEditorProps) {
  const { unit, step, standard, paints, house, estimate, painted, onChange, onRemove, onNewPaint } = props;
  const [pending, setPending] = useState<Partial<Step> | null>(null);
  const [isSure, setSure] = useState(false);
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
  /** What changes the work asks first when models are painted already. */
  const changeWork = (part: Partial<Step>) => (painted.length > 0 ? setPending(part) : onChange(part));
  const cost = stepCost(unit, step, estimate, house.leaderFactor);
  return (
    <aside className={styles.editor} aria-label="The step in hand">
      <div className={styles.editorFields}>
        <SelectField
          label="Technique"
          value={step.technique}
          options={techniqueOptions}
          onChange={(technique) => changeWork({ technique })}
        />
        {facts.usesPaint && (
          <PaintPicker
            label="Paint"
            value={step.paintId}
            paints={paints}
            onChange={(paintId) => changeWork({ paintId })}
            onNewPaint={onNewPaint}
          />
        )}
        <div className={styles.pair}>
          <NumberField label="Coats" whole min={1} max={10} value={step.coats} onChange={(coats) => coats && changeWork({ coats })} />
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
            label="Included from"
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
      {pending && <HalfDone {...props} step={step} change={pending} onDone={() => setPending(null)} />}
      <div className={styles.costs}>
        <p>
          <strong>
            {minutesText(cost.perModel * step.coats)} a model, {minutesText(cost.unitMinutes)} over {counted(cost.models, 'model')}
          </strong>
        </p>
        <p>{cost.why}</p>
        <p>
          Another coat: {differenceText(cost.perCoat)}. Without this step: {differenceText(-cost.unitMinutes)}.
        </p>
        {!includesStandard(standard, step.standard) && <p>Above the standard paid for ({standard}): it is not planned.</p>}
      </div>
      {facts.caution && <Notice kind="caution">{facts.caution}</Notice>}
      <details className={styles.reasons}>
        <summary>Why this order?</summary>
        <ul>
          {reasonsFor(unit, step, standard, paints, house).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      </details>
      <Button onClick={() => (painted.length > 0 && !isSure ? setSure(true) : onRemove())}>
        {isSure ? `${counted(painted.length, 'model')} painted with it. Remove step all the same?` : 'Remove step'}
      </Button>
    </aside>
  );
}
