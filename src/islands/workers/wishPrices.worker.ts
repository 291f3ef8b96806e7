import { expose } from 'comlink';
import type { LineProblem } from '../../core/line/definitions';
import { wishPrices } from '../../core/line/hand/wishPrices';

const SEED = 1;
/** Enough for a line of a hundred jobs to settle; half a second for each wish. */
const STEPS = 60_000;

const prices = {
  ofWishes: (problem: LineProblem, order: Int32Array) => wishPrices(problem, order, { seed: SEED, steps: STEPS }),
};

export type PricesWorker = typeof prices;
expose(prices);
