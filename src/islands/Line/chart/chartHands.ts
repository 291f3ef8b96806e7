import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useRef } from 'react';
import type { Scale } from './chartScale';
import type { Carrying } from './useCarry';

export const MOST_ZOOM = 32;
/** A pointer that has moved so far is carrying, not pointing. */
const CARRY_PIXELS = 5;
/** So near to an edge of the chart, what is carried scrolls it. */
export const EDGE_PIXELS = 36;

/** The place of the block that an event is on, or null. */
function placeOf(event: Pick<Event, 'target'>): number | null {
  const place = (event.target as Element).getAttribute('data-place');
  return place === null ? null : Number(place);
}

/** Pointing at a block selects it; a pointer that is pressed on one and moves away carries it. */
export function usePointer(
  frame: RefObject<HTMLDivElement | null>,
  x: Scale,
  carrying: Carrying,
  wholeLeg: boolean,
  onSelect: (place: number) => void,
) {
  const pressed = useRef<{ place: number; x: number; y: number; hasCarried: boolean } | null>(null);
  useEffect(() => {
    // A finger on a block carries it, between the blocks it scrolls. `touch-action` does not reach the parts of a drawing.
    const box = frame.current!;
    const keepFromScrolling = (event: TouchEvent) => placeOf(event) !== null && event.preventDefault();
    box.addEventListener('touchstart', keepFromScrolling, { passive: false });
    return () => box.removeEventListener('touchstart', keepFromScrolling);
  }, [frame]);
  return {
    onPointerOver: (event: PointerEvent) => {
      const place = placeOf(event);
      if (place !== null && event.pointerType === 'mouse' && !carrying.carry && event.buttons === 0) onSelect(place);
    },
    onPointerDown: (event: PointerEvent) => {
      const place = placeOf(event);
      if (place === null || event.button !== 0) return;
      pressed.current = { place, x: event.clientX, y: event.clientY, hasCarried: false };
      onSelect(place);
    },
    onPointerMove: (event: PointerEvent) => {
      const start = pressed.current;
      if (!start) return;
      const box = frame.current!;
      if (!carrying.carry) {
        // Put back by Escape, it is not picked up again before the pointer lets go.
        if (start.hasCarried) return;
        if (Math.hypot(event.clientX - start.x, event.clientY - start.y) < CARRY_PIXELS) return;
        box.setPointerCapture(event.pointerId);
        start.hasCarried = true;
        carrying.pickUp(start.place, wholeLeg);
        return;
      }
      const { left, right } = box.getBoundingClientRect();
      if (event.clientX > right - EDGE_PIXELS) box.scrollBy(EDGE_PIXELS / 3, 0);
      if (event.clientX < left + EDGE_PIXELS) box.scrollBy(-EDGE_PIXELS / 3, 0);
      carrying.holdOver(x.invert(event.clientX - left + box.scrollLeft));
    },
    onPointerUp: () => {
      if (pressed.current && carrying.carry) carrying.drop();
      pressed.current = null;
    },
    onPointerCancel: () => {
      if (pressed.current) carrying.putBack();
      pressed.current = null;
    },
  };
}

interface Keys {
  carrying: Carrying;
  wholeLeg: boolean;
  selected: number;
  count: number;
  onSelect: (place: number) => void;
  zoom: number;
  setZoom: (zoom: number) => void;
}

export function keyAction(
  event: KeyboardEvent,
  { carrying, wholeLeg, selected, count, onSelect, zoom, setZoom }: Keys,
): (() => void) | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  const held: Record<string, () => void> = {
    ArrowRight: () => carrying.step(1),
    ArrowLeft: () => carrying.step(-1),
    Enter: carrying.drop,
    ' ': carrying.drop,
    Escape: carrying.putBack,
  };
  const free: Record<string, () => void> = {
    ArrowRight: () => onSelect(Math.min(count - 1, selected + 1)),
    ArrowLeft: () => onSelect(Math.max(0, selected - 1)),
    Home: () => onSelect(0),
    End: () => onSelect(count - 1),
    Enter: () => carrying.pickUp(selected, wholeLeg || event.shiftKey),
    ' ': () => carrying.pickUp(selected, wholeLeg || event.shiftKey),
  };
  const always: Record<string, () => void> = {
    '+': () => setZoom(Math.min(MOST_ZOOM, zoom * 2)),
    '-': () => setZoom(Math.max(1, zoom / 2)),
  };
  return { ...always, ...(carrying.carry ? held : free) }[event.key];
}
