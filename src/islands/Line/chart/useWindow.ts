import { useEffect, useState, type RefObject } from 'react';

/** The part of a chart that is in sight, with a margin around it: pixels of the drawing. */
export interface ChartWindow {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The window moves in steps of so many pixels, so that scrolling seldom draws anew. */
const STEP = 120;
/** Before the chart has been measured. */
const FIRST: ChartWindow = { left: 0, right: Infinity, top: 0, bottom: 5 * STEP };

/** What is in sight of a drawing that scrolls upright in one box and sideways in another. */
export function useWindow(upright: RefObject<HTMLElement | null>, sideways: RefObject<HTMLElement | null>): ChartWindow {
  const [seen, setSeen] = useState(FIRST);
  useEffect(() => {
    const outer = upright.current!;
    const inner = sideways.current!;
    const look = () => {
      const [left, right] = span(inner.scrollLeft, inner.clientWidth);
      const [top, bottom] = span(outer.scrollTop, outer.clientHeight);
      setSeen((was) =>
        was.left === left && was.right === right && was.top === top && was.bottom === bottom ? was : { left, right, top, bottom },
      );
    };
    const observer = new ResizeObserver(look);
    observer.observe(outer);
    observer.observe(inner);
    outer.addEventListener('scroll', look, { passive: true });
    inner.addEventListener('scroll', look, { passive: true });
    return () => {
      observer.disconnect();
      outer.removeEventListener('scroll', look);
      inner.removeEventListener('scroll', look);
    };
  }, [upright, sideways]);
  return seen;
}

/** From a step before what is in sight to a step behind it. */
const span = (from: number, length: number): [number, number] => [
  (Math.floor(from / STEP) - 1) * STEP,
  (Math.ceil((from + length) / STEP) + 1) * STEP,
];
