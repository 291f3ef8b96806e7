import { ulid } from 'ulid';
import { coatKey } from '../../../core/kernel/ids';
import type { PassEstimates } from '../../../core/commission/estimate';
import {
  addStep,
  broughtBack,
  changePart,
  changeStep,
  duplicatePart,
  duplicateStep,
  pasteStep,
  removeStep,
} from '../../../core/scheme/authoring/edits';
import type { Paint, Part, Scheme, Standard, Step, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import type { RemovedPiece } from '../../../core/scheme/model/removedPiece';
import type { Picture } from '../../../core/commission/pictures';
import type { Effect } from '../../client/Saving';
import type { Pictures } from '../../client/usePictures';
import type { useWarnings } from '../whole/useWarnings';
import { markEffect } from './markEffect';
import type { PaintedOn } from './paintedOn';
import { PartEditor } from './PartEditor';
import { StepEditor } from './StepEditor';
import type { InStrip } from './stripOf';
import styles from './InHand.module.css';

const EDITOR = 'step-editor';
const CHOSEN = '[data-part] button[aria-pressed="true"]';
const focusOn = (css: string) => document.querySelector<HTMLElement>(css)?.focus();

/** By keyboard the editor is a long way off from the step that was chosen. */
export const focusEditor = (): void => focusOn(`#${EDITOR} select`);

interface InHandProps {
  /** With the scheme as it is shown. */
  unit: Unit;
  /** In hand is a step, a part, or nothing. */
  selected: InStrip | null;
  step: Step | null;
  partInHand: Part | null;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  warnings: ReturnType<typeof useWarnings>;
  /** Models painted under each pass, and under the step in hand. */
  painted: ReadonlyMap<string, number[]>;
  paintedNow: PaintedOn[];
  pictures: Pictures;
  references: Picture[];
  onSelect: (selected: InStrip) => void;
  onTakeOut: (piece: RemovedPiece['piece'], left: Scheme) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
  onMarked: () => void;
  onBefore: () => Promise<boolean>;
  onChange: (scheme: Scheme, effect?: Effect) => void;
}

/** The editor of the part or the step in hand; Esc goes back to it among the strips. */
export function InHand({
  unit,
  selected,
  step,
  partInHand,
  warnings,
  painted,
  paintedNow,
  pictures,
  references,
  onSelect,
  onTakeOut,
  onMarked,
  onBefore,
  onChange,
  ...shared
}: InHandProps) {
  const { scheme } = unit;
  const stepPart = scheme.parts.find((part) => part.id === selected?.strip) ?? null;

  const select = (strip: InStrip['strip'], next: Scheme, chosen: string) => {
    onChange(next);
    onSelect({ strip, step: chosen });
  };
  const bringBack = () => {
    if (!step || !selected) return;
    const added = broughtBack(ulid, step);
    select(selected.strip, addStep(scheme, selected.strip, added), added.id);
  };
  const duplicate = () => {
    if (!step || !selected) return;
    const copied = duplicateStep(ulid, scheme, selected.strip, step);
    select(selected.strip, copied.scheme, copied.step.id);
  };

  return (
    <div id={EDITOR} className={styles.holder} onKeyDown={(event) => event.key === 'Escape' && focusOn(CHOSEN)}>
      {partInHand ? (
        <PartEditor
          part={partInHand}
          scheme={scheme}
          unitId={unit.id}
          pictures={pictures}
          onBefore={onBefore}
          onDuplicate={() => onChange(duplicatePart(ulid, scheme, partInHand))}
          onChange={(part) => onChange(changePart(scheme, partInHand.id, part))}
        />
      ) : (
        <StepEditor
          {...shared}
          key={step?.id ?? 'none'}
          unit={unit}
          step={step}
          part={stepPart}
          spoiled={step ? warnings.by(step.id, shared.estimate) : null}
          keepClear={step ? (warnings.keepClear.get(step.id) ?? []) : []}
          onBringBack={bringBack}
          painted={paintedNow}
          isMarked={(coat) => paintedNow.some((each) => (painted.get(coatKey(each.step, coat)) ?? []).length > 0)}
          pictures={references}
          onScheme={onChange}
          onStops={(stops) => onChange({ ...scheme, stops })}
          onDuplicate={duplicate}
          onPaste={(to) => step && onChange(pasteStep(ulid, scheme, step, stepPart, to))}
          onChange={(part, said) =>
            selected && onChange(changeStep(scheme, selected.strip, selected.step, part), said && markEffect(paintedNow, said, onMarked))
          }
          onRemove={() =>
            selected && step && onTakeOut({ kind: 'step', step, partId: selected.strip }, removeStep(scheme, selected.strip, selected.step))
          }
        />
      )}
    </div>
  );
}
