import { allSteps } from '../../../core/scheme/model/allSteps';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import type { Scheme } from '../../../core/scheme/model/definitions';
import { labelOf } from '../../../core/scheme/model/techniques';
import { movePartTo, moveStepTo, type StripId } from '../../../core/scheme/authoring/edits';

/** What is carried or lies under it. */
export type DragItem =
  | { kind: 'part'; part: string }
  | { kind: 'step'; step: string; strip: StripId }
  | { kind: 'strip end'; strip: StripId };

interface SchemeDragProps {
  scheme: Scheme;
  onChange: (scheme: Scheme) => void;
  children: ReactNode;
}

/** Far enough that a click is none, long enough that a finger can scroll. */
const MOUSE = { activationConstraint: { distance: 6 } };
const FINGER = { activationConstraint: { delay: 200, tolerance: 8 } };
// Enter and Space choose the step in focus; M takes it up and puts it down.
const KEYS = {
  coordinateGetter: sortableKeyboardCoordinates,
  keyboardCodes: { start: ['KeyM'], cancel: ['Escape'], end: ['KeyM', 'Enter', 'Space'] },
};

const itemOf = (holder: { data: { current?: unknown } } | null | undefined) => holder?.data.current as DragItem | undefined;

/** By keyboard a step is laid corner on corner: its middle may well be nearer to the place it came from, if what it is over is longer. */
const closestCorner: CollisionDetection = ({ collisionRect, droppableContainers, droppableRects }) =>
  droppableContainers
    .flatMap((droppableContainer) => {
      const rect = droppableRects.get(droppableContainer.id);
      if (!rect) return [];
      const value = Math.hypot(rect.left - collisionRect.left, rect.top - collisionRect.top);
      return [{ id: droppableContainer.id, data: { droppableContainer, value } }];
    })
    .sort((a, b) => a.data.value - b.data.value);

/** Parts over parts, steps over steps and the ends of strips. */
const collisions: CollisionDetection = (args) => {
  const isPart = itemOf(args.active)?.kind === 'part';
  const droppableContainers = args.droppableContainers.filter((each) => (itemOf(each)?.kind === 'part') === isPart);
  if (args.pointerCoordinates === null) return closestCorner({ ...args, droppableContainers });
  const under = pointerWithin({ ...args, droppableContainers });
  return under.length > 0 ? under : closestCenter({ ...args, droppableContainers });
};

/** Parts and steps are dragged by mouse, by finger, or by keyboard. */
export function SchemeDrag({ scheme, onChange, children }: SchemeDragProps) {
  const sensors = useSensors(useSensor(MouseSensor, MOUSE), useSensor(TouchSensor, FINGER), useSensor(KeyboardSensor, KEYS));
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const next = dropped(scheme, itemOf(active), itemOf(over));
    if (next !== scheme) onChange(next);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={collisions}
      onDragEnd={onDragEnd}
      accessibility={{
        announcements: announcementsFor(scheme),
        screenReaderInstructions: { draggable: 'M picks it up, arrow keys move it, M puts it down, Escape leaves it.' },
      }}
    >
      {children}
    </DndContext>
  );
}

/** The scheme with what was carried put where it was let go. */
export function dropped(scheme: Scheme, carried: DragItem | undefined, under: DragItem | undefined): Scheme {
  if (!carried || !under) return scheme;
  if (carried.kind === 'part' && under.kind === 'part')
    return carried.part === under.part
      ? scheme
      : movePartTo(
          scheme,
          carried.part,
          scheme.parts.findIndex(({ id }) => id === under.part),
        );
  if (carried.kind !== 'step' || under.kind === 'part') return scheme;
  if (under.kind === 'strip end') return moveStepTo(scheme, carried.step, { strip: under.strip, before: null });
  if (carried.step === under.step) return scheme;
  return moveStepTo(scheme, carried.step, { strip: under.strip, before: placeBefore(scheme, carried, under) });
}

/** Carried forward in its own strip, a step goes behind the one it is let go over. */
function placeBefore(scheme: Scheme, carried: DragItem & { kind: 'step' }, under: DragItem & { kind: 'step' }): string | null {
  const steps = under.strip === null ? scheme.allOver : (scheme.parts.find(({ id }) => id === under.strip)?.steps ?? []);
  const [from, to] = [steps.findIndex(({ id }) => id === carried.step), steps.findIndex(({ id }) => id === under.step)];
  return from >= 0 && from < to ? (steps[to + 1]?.id ?? null) : under.step;
}

function announcementsFor(scheme: Scheme): Announcements {
  const nameOf = (item: DragItem | undefined): string => {
    if (!item) return 'nothing';
    if (item.kind === 'part') return scheme.parts.find(({ id }) => id === item.part)?.name ?? 'the part';
    const strip = item.strip === null ? 'everything' : (scheme.parts.find(({ id }) => id === item.strip)?.name ?? 'the part');
    if (item.kind === 'strip end') return `the end of ${strip}`;
    const step = allSteps(scheme).find(({ id }) => id === item.step);
    return `${step ? labelOf(step).toLowerCase() : 'the step'} on ${strip}`;
  };
  return {
    onDragStart: ({ active }) => `Picked up ${nameOf(itemOf(active))}.`,
    onDragOver: ({ over }) => (over ? `Over ${nameOf(itemOf(over))}.` : 'Over nothing.'),
    onDragEnd: ({ active, over }) => (over ? `${nameOf(itemOf(active))} put at ${nameOf(itemOf(over))}.` : 'Put back.'),
    onDragCancel: () => 'Left where it was.',
  };
}
