import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { ulid } from 'ulid';
import type { PassEstimates } from '../../../core/commission/estimate';
import { addStep, changePart, movePart, moveStep, newStep, removePart, type StripId } from '../../../core/scheme/authoring/edits';
import type { Paint, Scheme, Standard, Step, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import type { RemovedPiece } from '../../../core/scheme/model/removedPiece';
import { focusEditor } from '../step/InHand';
import type { InStrip } from '../step/stripOf';
import { Strip } from './Strip';
import styles from './strips.module.css';

interface StripsProps {
  /** With the scheme as it is shown. */
  unit: Unit;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  /** Steps that a later one spoils. */
  warned: ReadonlySet<string>;
  /** The step in hand. */
  selected: string | null;
  onSelect: (selected: InStrip) => void;
  onChange: (scheme: Scheme) => void;
}

/** What every strip is told, and what happens to the steps in it. */
function stripProps({ onSelect, onChange, ...shared }: StripsProps, id: StripId) {
  const { scheme } = shared.unit;
  const part = scheme.parts.find((each) => each.id === id) ?? null;
  return {
    ...shared,
    id,
    part,
    onSelect: (step: string) => {
      // Chosen once more, the step is gone on with in the editor.
      if (shared.selected === step) focusEditor();
      onSelect({ strip: id, step });
    },
    onMove: (step: string, by: number) => onChange(moveStep(scheme, id, step, by)),
    onAdd: () => {
      const added = newStep(ulid, id === null ? 'wash' : 'layer', null, id === null, part);
      onChange(addStep(scheme, id, added));
      onSelect({ strip: id, step: added.id });
    },
  };
}

interface PartStripsProps extends StripsProps {
  isPainted: (step: Step) => boolean;
  onSelectPart: (part: string) => void;
  onTakeOut: (piece: RemovedPiece['piece'], left: Scheme) => void;
}

/** The parts from the deepest to the outermost. */
export function PartStrips({ isPainted, onSelectPart, onTakeOut, ...strip }: PartStripsProps) {
  const { unit, onChange } = strip;
  const { scheme } = unit;
  if (scheme.parts.length === 0) return null;
  return (
    <>
      <p className={styles.depth}>Deepest part first. Minutes: one model, then the whole unit.</p>
      <SortableContext items={scheme.parts.map((part) => `part ${part.id}`)} strategy={verticalListSortingStrategy}>
        {scheme.parts.map((part) => (
          <Strip
            key={part.id}
            name={part.name}
            steps={part.steps}
            {...stripProps(strip, part.id)}
            onRename={(name) => onChange(changePart(scheme, part.id, { name }))}
            onSelectPart={() => onSelectPart(part.id)}
            onMovePart={(by) => onChange(movePart(scheme, part.id, by))}
            painted={part.steps.some(isPainted)}
            onRemovePart={() => onTakeOut({ kind: 'part', part }, removePart(scheme, part.id))}
          />
        ))}
      </SortableContext>
      <p className={styles.depth}>The outermost part.</p>
    </>
  );
}

/** What goes over all parts. */
export function OverEverything(strip: StripsProps) {
  const { allOver } = strip.unit.scheme;
  return allOver.length > 0 && <Strip name="Over everything" steps={allOver} {...stripProps(strip, null)} />;
}
