import { compileLine, type CompiledLine } from '../../core/line/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { explainPlace, type PlaceReason } from '../../core/line/explainPlace';
import { placesFor, type PlaceCost } from '../../core/line/places';

/** Questions about one line; the first message lays the line on the desk. */
export type DeskQuestion =
  | { kind: 'line'; problem: LineProblem }
  | { kind: 'places'; id: number; order: Int32Array; from: number; end: number }
  | { kind: 'reason'; id: number; order: Int32Array; place: number };

export interface DeskAnswer {
  id: number;
  answer: PlaceCost[] | PlaceReason;
}

let line: CompiledLine;

addEventListener('message', ({ data }: MessageEvent<DeskQuestion>) => {
  if (data.kind === 'line') line = compileLine(data.problem);
  else {
    const answer = data.kind === 'places' ? placesFor(line, data.order, data.from, data.end) : explainPlace(line, data.order, data.place);
    postMessage({ id: data.id, answer } satisfies DeskAnswer);
  }
});
