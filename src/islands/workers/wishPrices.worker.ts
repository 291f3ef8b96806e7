import { expose } from 'comlink';
import type { LineProblem } from '../../core/line/definitions';
import type { TurnedBy } from '../../core/line/problem/turns';
import { habitPrices } from '../../core/line/hand/habitPrices';
import { turnPrices } from '../../core/line/hand/turnPrices';
import { wishPrices } from '../../core/line/hand/wishPrices';

const SEED = 1;
/** Enough for a line of a hundred jobs to settle. */
const STEPS = 25_000;

/** A line with a habit kept is searched from where it stands. */
const HABIT_STEPS = 4_000;

const prices = {
  ofHabits: (problem: LineProblem, rules: string[], habits: string[], order: Int32Array) =>
    habitPrices(problem, rules, habits, order, { seed: SEED, steps: HABIT_STEPS }),
  ofTurns: (problem: LineProblem, turns: readonly TurnedBy[], order: Int32Array) =>
    turnPrices(problem, turns, order, { seed: SEED, steps: HABIT_STEPS }),
  ofWishes: (problem: LineProblem, order: Int32Array) => wishPrices(problem, order, { seed: SEED, steps: STEPS }),
};

export type PricesWorker = typeof prices;
expose(prices);
