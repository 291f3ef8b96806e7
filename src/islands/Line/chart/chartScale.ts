import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { LineSession } from '../../../core/line/definitions';

export type Scale = ScaleLinear<number, number>;

/** The minutes of a line along a chart: sessions in their true length, the nights between them squeezed. */
export interface ChartScale {
  x: Scale;
  /** The sessions that are worked in, in minutes; the last one ends with the work. Null when there are none. */
  bands: LineSession[] | null;
}

/** A squeezed night is so wide, and all of them together take up at most such a share of the chart. */
const NIGHT_PIXELS = 12;
const MOST_NIGHT_SHARE = 0.25;

export function chartScale(sessions: readonly LineSession[] | null, finish: number, width: number): ChartScale {
  if (!sessions) return { x: scaleLinear([0, Math.max(1, finish)], [0, width]), bands: null };
  const bands = sessions.filter((session) => session.from < finish).map(({ from, to }) => ({ from, to: Math.min(to, finish) }));
  const night = Math.min(NIGHT_PIXELS, (width * MOST_NIGHT_SHARE) / bands.length);
  const minutes = bands.reduce((sum, { from, to }) => sum + to - from, 0);
  const pixels = (width - night * (bands.length - 1)) / minutes;
  const domain: number[] = [];
  const range: number[] = [];
  let at = 0;
  for (const { from, to } of bands) {
    // Sessions that follow each other without a break have no night between them.
    if (domain.at(-1) !== from) {
      domain.push(from);
      range.push(at);
    }
    at += (to - from) * pixels;
    domain.push(to);
    range.push(at);
    at += night;
  }
  return {
    x: scaleLinear(
      domain,
      range.map((each) => (each * width) / range.at(-1)!),
    ),
    bands,
  };
}
