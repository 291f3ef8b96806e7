import { useState } from 'react';
import { ulid } from 'ulid';
import {
  FACES,
  includesStandard,
  type Paint,
  type Part,
  type Scheme,
  type Standard,
  type Step,
  type Stop,
  type Unit,
} from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { MOMENTS, type Moment } from '../../../core/scheme/model/moments';
import { coverageIn, followsPart, usualDrying } from '../../../core/scheme/model/shares';
import { cautionOf, factsOf, isByCare, isByPiece } from '../../../core/scheme/model/techniques';
import type { PassEstimates } from '../../../core/commission/estimate';
import { Button } from '../../../ui/Button/Button';
import { SelectField, TextField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Notice } from '../../../ui/Notice/Notice';
import { counted, differenceText, minutesText } from '../../../ui/format';
import { Sure } from '../../../ui/Sure/Sure';
import { standardNames, techniqueChosen, techniqueOptions, techniqueValue } from '../../shared/options';
import { Why } from '../../shared/Why';
import { stepCost } from '../../../core/commission/stepCosts';
import { changeStep } from '../../../core/scheme/authoring/edits';
import { addMix } from '../../../core/paint/mixEdits';
import type { Match } from '../../../core/paint/match';
import type { Picture } from '../../../core/commission/pictures';
import { MatchColour } from '../../shared/matching/MatchColour';
import { FaintHighlight } from '../mixing/FaintHighlight';
import { Marks } from '../mixing/Marks';
import { CopyStep } from './CopyStep';
import { HowMuch } from './HowMuch';
import { HalfDone } from './HalfDone';
import { shareText } from './shareText';
import { paintedCount, type PaintedOn } from './paintedOn';
import { LaidOn } from './LaidOn';
import type { SaidOfMarks } from './markEffect';
import { MorePaints } from './MorePaints';
import { PaintPicker, potOf } from './PaintPicker';
import { reasonsFor } from '../../../core/scheme/advice/reasonsFor';
import { normOfPass } from '../../../core/time/fit/norms';
import { Spoiled, type SpoiledBy } from './Spoiled';
import { StopFields } from './Stops';
import { whomOf, whomOptions, whomValue } from './whom';
import own from './step.module.css';
import styles from '../View.module.css';

interface StepEditorProps {
  unit: Unit;
  step: Step | null;
  /** Null for a step that goes over everything. */
  part: Part | null;
  /** What a later step does to it; null when nothing does. */
  spoiled: SpoiledBy | null;
  /** Names of parts to keep clear of. */
  keepClear: string[];
  onBringBack: () => void;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  /** Reference pictures that a colour can be picked from. */
  pictures: Picture[];
  onScheme: (scheme: Scheme) => void;
  onStops: (stops: Stop[]) => void;
  onDuplicate: () => void;
  /** Copies it to these parts. */
  onPaste: (partIds: string[]) => void;
  /** With what holds of the models that are painted already. */
  onChange: (part: Partial<Step>, said?: SaidOfMarks) => void;
  /** Models painted under this step, here and where it is painted too. */
  painted: PaintedOn[];
  /** Whether some count as done under a coat. */
  isMarked: (coat: number) => boolean;
  onRemove: () => void;
  onNewPaint: (paint: Paint) => Promise<void>;
}

const momentOptions = [
  { value: '', label: 'as usual for it' },
  ...MOMENTS.map((value) => ({ value: value as string, label: value as string })),
];

const facesOptions = FACES.map((value) => ({ value, label: value === 'whole' ? 'in one go' : value }));

/** The step takes what was found: a paint as it is, or a mix that is new in the scheme. */
function withMatch(scheme: Scheme, part: Part | null, { id }: Step, match: Match, name: string): Scheme {
  const strip = part?.id ?? null;
  if (match.parts.length === 1) return changeStep(scheme, strip, id, { paint: match.parts[0]![0], mix: null });
  const { scheme: next, mix } = addMix(ulid, scheme, name, match.parts);
  return changeStep(next, strip, id, { paint: null, mix: mix.id });
}

/** The step in hand: what it is, what it costs, and why it stands there. */
export function StepEditor(props: StepEditorProps) {
  const { unit, step, part, standard, paints, house, estimate, painted, onChange, onRemove, onNewPaint } = props;
  const { mixes } = unit.scheme;
  const [pending, setPending] = useState<Partial<Step> | null>(null);
  if (!step) {
    return (
      <aside className={own.editor} aria-label="The step in hand">
        <p className={own.hint}>
          Choose a step to change its technique, paint, coats or who takes it. Order rules are applied by the program: a step shows what it
          has to wait for, and why.
        </p>
      </aside>
    );
  }
  const facts = factsOf(step.technique);
  // One that House rules do not have any more is still this step's.
  const techniques = [...house.techniques, ...(step.own && !house.techniques.some(({ id }) => id === step.own!.id) ? [step.own] : [])];
  const caution = cautionOf(step, potOf(step, paints, mixes)?.kind ?? null);
  /** What changes the work asks first when models are painted already. */
  const changeWork = (change: Partial<Step>) => (painted.length > 0 ? setPending(change) : onChange(change));
  const cost = stepCost(unit, step, part, estimate, house);
  return (
    <aside className={own.editor} aria-label="The step in hand">
      <div className={own.editorFields}>
        <SelectField
          label="Technique"
          value={techniqueValue(step)}
          options={techniqueOptions(techniques)}
          onChange={(name) => changeWork(techniqueChosen(name, techniques))}
        />
        {facts.usesPaint && (
          <PaintPicker
            label="Paint"
            value={step}
            paints={paints}
            mixes={mixes}
            technique={step.technique}
            onChange={({ paint, mix }) => changeWork({ paint, mix })}
            onNewPaint={onNewPaint}
          />
        )}
        {facts.usesPaint && painted.length === 0 && (
          <MatchColour
            takesOne
            paints={paints}
            pictures={props.pictures}
            onTake={(match, name) => props.onScheme(withMatch(unit.scheme, part, step, match, name))}
          />
        )}
        {facts.usesPaint && unit.scheme.variants.length > 0 && (
          <MorePaints
            step={step}
            scheme={unit.scheme}
            paints={paints}
            mixes={mixes}
            onChange={(paintFor) => changeWork({ paintFor })}
            onNewPaint={onNewPaint}
          />
        )}
        {facts.usesPaint && part !== null && (
          <>
            <FaintHighlight
              step={step}
              part={part}
              scheme={unit.scheme}
              paints={paints}
              onMix={(mix) =>
                props.onScheme(changeStep({ ...unit.scheme, mixes: [...mixes, mix] }, part.id, step.id, { paint: null, mix: mix.id }))
              }
            />
            <Marks unit={unit} step={step} part={part} paints={paints} onChange={props.onScheme} />
          </>
        )}
        {part === null && <LaidOn step={step} parts={unit.scheme.parts} onChange={onChange} />}
        <HowMuch step={step} brushes={house.brushes} onChange={onChange} onWork={changeWork} />
        {part && !isByCare(step.technique) && !isByPiece(step.technique) && !followsPart(step, part) && (
          <p>
            Set by hand.{' '}
            <Button kind="quiet" onClick={() => onChange({ coverage: coverageIn(step.technique, part) })}>
              As the part says: {shareText(coverageIn(step.technique, part))}
            </Button>
          </p>
        )}
        <div className={own.pair}>
          <SelectField
            label="For"
            value={whomValue(step.for)}
            options={whomOptions(step.for, unit.scheme)}
            onChange={(whom) => onChange({ for: whomOf(whom) })}
          />
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
          placeholder={String(potOf(step, paints, mixes)?.dryMinutes ?? Math.round(usualDrying(step)))}
          value={step.dryMinutes}
          onChange={(dryMinutes) => onChange({ dryMinutes })}
        />
        <label className={styles.check}>
          <input type="checkbox" checked={step.optional} onChange={(event) => onChange({ optional: event.target.checked })} /> May be left
          out when time is short
        </label>
        <label className={styles.check}>
          <input
            type="checkbox"
            checked={step.ifNeeded ?? false}
            onChange={(event) => onChange({ ifNeeded: event.target.checked || undefined } as Partial<Step>)}
          />{' '}
          Only where a model needs it
        </label>
        <details>
          <summary className={styles.more}>More options</summary>
          <div className={own.editorFields}>
            <SelectField
              label="When"
              value={step.moment ?? ''}
              options={momentOptions}
              onChange={(moment) => onChange({ moment: moment === '' ? null : (moment as Moment) })}
            />
            <SelectField label="Coat painted" value={step.faces} options={facesOptions} onChange={(faces) => onChange({ faces })} />
            <TextField
              label="Strength"
              placeholder="1:1 with medium"
              value={step.strength}
              onChange={(strength) => onChange({ strength })}
            />
            <TextField label="Note" value={step.note} onChange={(note) => onChange({ note })} />
            <StopFields scheme={unit.scheme} step={step} onChange={props.onStops} />
          </div>
        </details>
      </div>
      {props.spoiled && <Spoiled by={props.spoiled} onBringBack={props.onBringBack} />}
      {props.keepClear.length > 0 && <p data-testid="keep-clear">Keep clear: {props.keepClear.join(', ')}.</p>}
      {pending && <HalfDone {...props} mixes={mixes} step={step} change={pending} onDone={() => setPending(null)} />}
      <div className={own.costs}>
        <p>
          <strong>
            {minutesText(cost.perModel * step.coats)} a model, {minutesText(cost.unitMinutes)} over {counted(cost.models, 'model')}
          </strong>
        </p>
        <p>{cost.why}</p>
        {cost.passKey !== null && <Why passKey={cost.passKey} version={estimate} />}
        <p>
          Another coat: {differenceText(cost.perCoat)}. Without this step: {differenceText(-cost.unitMinutes)}.
        </p>
        {!includesStandard(standard, step.standard) && <p>Above the painting standard ({standard}): it is not planned.</p>}
      </div>
      {caution && <Notice kind="caution">{caution}</Notice>}
      <details className={own.reasons}>
        <summary>Why this order?</summary>
        <ul>
          {reasonsFor(unit, step, standard, paints, house, normOfPass(unit.size)).map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      </details>
      <CopyStep parts={unit.scheme.parts.filter((each) => each.id !== part?.id)} onDuplicate={props.onDuplicate} onPaste={props.onPaste} />
      <Sure
        question={`${counted(paintedCount(painted), 'model')} painted with it.`}
        yes="Remove step anyway"
        isAsked={painted.length > 0}
        onYes={onRemove}
      >
        Remove step
      </Sure>
    </aside>
  );
}
