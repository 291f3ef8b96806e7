import type { CompiledLine } from '../../core/line/problem/compiledLine';
import { compileLine } from '../../core/line/problem/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { explainPlace, type PlaceReason } from '../../core/line/hand/explainPlace';
import { fixedStrategies, type Strategy } from '../../core/line/search/strategies';
import { placesFor, type PlaceCost } from '../../core/line/hand/places';

/** Questions about one line; the first message lays the line on the desk. */
export type DeskQuestion =
  | { kind: 'line'; problem: LineProblem }
  | { kind: 'places'; id: number; order: Int32Array; from: number; end: number }
  | { kind: 'reason'; id: number; order: Int32Array; place: number }
  | { kind: 'strategies'; id: number; unitOfTray: ReadonlyMap<string, string> };

export interface DeskAnswer {
  id: number;
  answer: PlaceCost[] | PlaceReason | Strategy[];
}

let line: CompiledLine;

addEventListener('message', ({ data }: MessageEvent<DeskQuestion>) => {
  if (data.kind === 'line') line = compileLine(data.problem);
  else postMessage({ id: data.id, answer: answerTo(data) } satisfies DeskAnswer);
});

function answerTo(question: Exclude<DeskQuestion, { kind: 'line' }>): DeskAnswer['answer'] {
  switch (question.kind) {
    case 'places':
      return placesFor(line, question.order, question.from, question.end);
    case 'reason':
      return explainPlace(line, question.order, question.place);
    case 'strategies':
      return fixedStrategies(line.problem, (tray) => question.unitOfTray.get(tray)!);
  }
}
