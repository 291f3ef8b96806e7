import { readLineProblem } from '../../core/formats/lineProblem';
import { compileLine } from '../../core/line/compileLine';
import { lowerBound } from '../../core/line/lowerBound';
import { searchOrder } from '../../core/line/searchOrder';

/** What the page asks for. */
export interface SearchRequest {
  problem: unknown;
  seed: number;
  milliseconds: number;
}

/** Every better order as it is found, and the last word. */
export interface SearchAnswer {
  order: Int32Array;
  done: boolean;
}

// Better orders come in bursts while the search warms up; the page is told at most this often.
const TELL_EVERY_MS = 100;

addEventListener('message', ({ data }: MessageEvent<SearchRequest>) => {
  const problem = readLineProblem(data.problem);
  const line = compileLine(problem);
  const until = performance.now() + data.milliseconds;
  let told = performance.now();
  const tell = (order: Int32Array, done: boolean) => postMessage({ order: order.slice(), done } satisfies SearchAnswer);
  const best = searchOrder(line, {
    seed: data.seed,
    steps: Infinity,
    bound: lowerBound(line),
    shouldStop: () => performance.now() >= until,
    onBetter: (order) => {
      if (performance.now() - told < TELL_EVERY_MS) return;
      told = performance.now();
      tell(order, false);
    },
  });
  tell(best, true);
});
