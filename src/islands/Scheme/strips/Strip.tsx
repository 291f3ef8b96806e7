import { useDroppable } from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import type { KeyboardEvent } from 'react';
import { includesStandard, type Paint, type Part, type Standard, type Step, type Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { factsOf, labelOf } from '../../../core/scheme/model/techniques';
import { overWords } from '../../../core/scheme/model/workWords';
import type { PassEstimates } from '../../../core/commission/estimate';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Hidden } from '../../../ui/Hidden/Hidden';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { cx } from '../../../ui/cx';
import { minutesText } from '../../../ui/format';
import { Sure } from '../../../ui/Sure/Sure';
import { ArrowDown, ArrowUp, GripVertical, Plus, Settings2, TriangleAlert, X } from '../../../ui/icons';
import { carriedStyle } from './carriedStyle';
import { stepCost } from '../../../core/commission/stepCosts';
import type { StripId } from '../../../core/scheme/authoring/edits';
import { potOf } from '../step/PaintPicker';
import type { DragItem } from './SchemeDrag';
import { whomText } from '../step/whom';
import own from './strips.module.css';
import styles from '../View.module.css';

interface StripProps {
  /** Null for what goes over everything. */
  id: StripId;
  name: string;
  steps: Step[];
  unit: Unit;
  standard: Standard;
  paints: Paint[];
  estimate: PassEstimates;
  house: HouseRules;
  part: Part | null;
  /** Steps that a later one spoils. */
  warned: ReadonlySet<string>;
  selected: string | null;
  onSelect: (stepId: string) => void;
  onMove: (stepId: string, by: number) => void;
  onAdd: () => void;
  onRename?: (name: string) => void;
  /** Shows what else can be said of the part. */
  onSelectPart?: () => void;
  onMovePart?: (by: number) => void;
  onRemovePart?: () => void;
  /** Some models are painted here: removing asks once. */
  painted?: boolean;
}

/** One part and its steps, in the order they go on. */
export function Strip({ id, name, steps, onAdd, onRename, onSelectPart, onMovePart, onRemovePart, painted = false, ...rest }: StripProps) {
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: `part ${id}`,
    data: { kind: 'part', part: id ?? '' } satisfies DragItem,
    disabled: id === null,
  });
  const { setNodeRef: setEndRef, isOver } = useDroppable({ id: `end ${id}`, data: { kind: 'strip end', strip: id } satisfies DragItem });
  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || !onMovePart) return;
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      onMovePart(event.key === 'ArrowUp' ? -1 : 1);
    }
  };
  return (
    <div
      ref={setNodeRef}
      className={own.strip}
      data-part={name}
      onKeyDown={onKeyDown}
      style={carriedStyle({ transform, transition, isDragging })}
    >
      <div className={own.part}>
        {onRename ? (
          <TextField label={`Name of the part ${name}`} hideLabel value={name} onChange={onRename} />
        ) : (
          <strong className={own.overAll}>{name}</strong>
        )}
        {onMovePart && (
          <span className={own.partTools}>
            <Button kind="quiet" aria-label={`${name} deeper`} onClick={() => onMovePart(-1)}>
              <ArrowUp aria-hidden="true" size={16} />
            </Button>
            <Button kind="quiet" aria-label={`${name} further out`} onClick={() => onMovePart(1)}>
              <ArrowDown aria-hidden="true" size={16} />
            </Button>
            <Sure
              kind="quiet"
              label={`Remove ${name}`}
              question="Models are painted."
              yes="Remove anyway"
              isAsked={painted}
              onYes={() => onRemovePart?.()}
            >
              <X aria-hidden="true" size={16} />
            </Sure>
          </span>
        )}
      </div>
      <ol className={own.steps}>
        <SortableContext items={steps.map((step) => `step ${step.id}`)} strategy={rectSortingStrategy}>
          {steps.map((step) => (
            <StepChip key={step.id} step={step} strip={id} {...rest} />
          ))}
        </SortableContext>
        <li ref={setEndRef} className={cx(isOver && own.dropHere)}>
          <Button kind="quiet" aria-label={`Another step on ${name}`} onClick={onAdd}>
            <Plus aria-hidden="true" size={18} />
          </Button>
        </li>
      </ol>
      {onMovePart && (
        <span className={own.partHandles}>
          <button type="button" className={own.grip} {...attributes} {...listeners} aria-label={`Move ${name}`}>
            <GripVertical aria-hidden="true" size={16} />
          </button>
          <Button kind="quiet" aria-label={`More about ${name}`} onClick={onSelectPart}>
            <Settings2 aria-hidden="true" size={16} />
          </Button>
        </span>
      )}
    </div>
  );
}

type ChipProps = Omit<
  StripProps,
  'id' | 'name' | 'steps' | 'onAdd' | 'onRename' | 'onSelectPart' | 'onMovePart' | 'onRemovePart' | 'painted'
> & {
  step: Step;
  strip: StripId;
};

function StepChip({ step, strip, part, unit, standard, paints, estimate, house, selected, warned, onSelect, onMove }: ChipProps) {
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: `step ${step.id}`,
    data: { kind: 'step', step: step.id, strip } satisfies DragItem,
  });
  const paint = potOf(step, paints, unit.scheme.mixes);
  const facts = factsOf(step.technique);
  const cost = stepCost(unit, step, part, estimate, house);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault();
      onMove(step.id, event.key === 'ArrowLeft' ? -1 : 1);
    } else listeners?.['onKeyDown']?.(event);
  };
  return (
    <li ref={setNodeRef} style={carriedStyle({ transform, transition, isDragging })}>
      <button
        type="button"
        {...attributes}
        {...listeners}
        className={cx(styles.chip, selected === step.id && styles.selected, !includesStandard(standard, step.standard) && styles.beyond)}
        aria-pressed={selected === step.id}
        onClick={() => onSelect(step.id)}
        onKeyDown={onKeyDown}
      >
        <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
        <span className={own.chipText}>
          <span>
            {labelOf(step)}
            {step.coats > 1 && ` ×${step.coats}`}
            {step.over && ` (${overWords(step.over, unit.scheme.parts)})`}
            {step.for !== null && ` (${whomText(step.for, unit.scheme)})`}
            {step.paintFor.length > 0 && ` +${step.paintFor.length}`}
            {step.faces !== 'whole' && ' ½+½'}
            {step.optional && ' (optional)'}
            {warned.has(step.id) && (
              <>
                {' '}
                <TriangleAlert size={14} aria-hidden="true" />
                <Hidden> spoiled by a later step</Hidden>
              </>
            )}
          </span>
          <small>{paint?.name ?? (facts.usesPaint ? 'no paint yet' : '')}</small>
          <small className={own.cost}>
            {minutesText(cost.perModel * step.coats)} <span aria-hidden="true">·</span>
            <Hidden> a model, </Hidden> {minutesText(cost.unitMinutes)}
          </small>
        </span>
      </button>
    </li>
  );
}
