import { expose } from 'comlink';
import type { CompiledLine } from '../../core/line/problem/compiledLine';
import { compileLine } from '../../core/line/problem/compileLine';
import type { LineProblem } from '../../core/line/definitions';
import { explainPlace } from '../../core/line/hand/explainPlace';
import type { TurnedBy } from '../../core/line/problem/turns';
import { fixedStrategies } from '../../core/line/search/strategies';
import { timePiece } from '../../core/plan/dates/benchQueue';
import { keepDate } from '../../core/line/hand/keepDate';
import { allAtOnce } from '../../core/kernel/steps';
import { placesFor } from '../../core/line/hand/places';

const SEED = 1;
/** Enough for a line of a hundred jobs to settle; a second or two with dates and evenings. */
const KEEP_STEPS = 25_000;

let line: CompiledLine;

/** Answers about one line, which is laid on the desk first. */
const desk = {
  lay: (problem: LineProblem): void => void (line = compileLine(problem)),
  places: (order: Int32Array, from: number, end: number) => placesFor(line, order, from, end),
  reason: (order: Int32Array, place: number) => explainPlace(line, order, place),
  strategies: (unitOfTray: ReadonlyMap<string, string>, nearlyDone: readonly string[], turns: readonly TurnedBy[]) =>
    fixedStrategies(line.problem, { unitOfTray: (tray) => unitOfTray.get(tray)!, nearlyDone, turns }),
  dates: (order: Int32Array, factors: ArrayLike<ArrayLike<number>>, draws: number) =>
    allAtOnce(timePiece(line, order, factors, draws))?.dates ?? [],
  keep: (order: Int32Array, date: string) => keepDate(line.problem, order, date, { seed: SEED, steps: KEEP_STEPS }),
};

export type Desk = typeof desk;
expose(desk);
