import type { CompiledLine } from '../../core/line/problem/compiledLine';
import { compileLine } from '../../core/line/problem/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { explainPlace, type PlaceReason } from '../../core/line/hand/explainPlace';
import { fixedStrategies, type Strategy } from '../../core/line/search/strategies';
import { timePiece, type DrawnDate } from '../../core/plan/dates/benchQueue';
import { keepDate, type KeptDate } from '../../core/line/hand/keepDate';
import { allAtOnce } from '../../core/kernel/steps';
import { placesFor, type PlaceCost } from '../../core/line/hand/places';

/** Questions about one line; the first message lays the line on the desk. */
export type DeskQuestion =
  | { kind: 'line'; problem: LineProblem }
  | { kind: 'places'; id: number; order: Int32Array; from: number; end: number }
  | { kind: 'reason'; id: number; order: Int32Array; place: number }
  | { kind: 'strategies'; id: number; unitOfTray: ReadonlyMap<string, string>; nearlyDone: readonly string[] }
  | { kind: 'dates'; id: number; order: Int32Array; factors: ArrayLike<ArrayLike<number>>; draws: number }
  | { kind: 'keep'; id: number; order: Int32Array; date: string };

export interface DeskAnswer {
  id: number;
  answer: PlaceCost[] | PlaceReason | Strategy[] | DrawnDate[] | KeptDate;
}

const SEED = 1;
/** Enough for a line of a hundred jobs to settle; a second or two with dates and evenings. */
const KEEP_STEPS = 25_000;

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
      return fixedStrategies(line.problem, {
        unitOfTray: (tray) => question.unitOfTray.get(tray)!,
        nearlyDone: question.nearlyDone,
      });
    case 'dates':
      return allAtOnce(timePiece(line, question.order, question.factors, question.draws))?.dates ?? [];
    case 'keep':
      return keepDate(line.problem, question.order, question.date, { seed: SEED, steps: KEEP_STEPS });
  }
}
