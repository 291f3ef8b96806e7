import type { LineProblem } from '../../core/line/definitions';
import { wishPrices } from '../../core/line/hand/wishPrices';

export interface PricesRequest {
  problem: LineProblem;
  order: Int32Array;
}

const SEED = 1;
/** Enough for a line of a hundred jobs to settle; half a second for each wish. */
const STEPS = 60_000;

addEventListener('message', ({ data }: MessageEvent<PricesRequest>) => {
  postMessage(wishPrices(data.problem, data.order, { seed: SEED, steps: STEPS }));
});
