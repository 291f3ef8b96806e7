import { useCallback } from 'react';
import type { LineProblem } from '../../../core/line/definitions';
import type { WishPrice } from '../../../core/line/hand/wishPrices';
import { useDerived, type Derived } from '../../client/useDerived';
import { callOnce } from '../../client/WorkerCalls';
import type { PricesWorker } from '../../workers/wishPrices.worker';

export const beginPrices = () => new Worker(new URL('../../workers/wishPrices.worker.ts', import.meta.url), { type: 'module' });

/** What each wish of the line costs, worked out beside the page once somebody can see it. */
export function useWishPrices(problem: LineProblem, order: Int32Array, isSeen: boolean): Derived<WishPrice[]> {
  const work = useCallback(
    (unwanted: AbortSignal) => callOnce<PricesWorker, WishPrice[]>(beginPrices, (prices) => prices.ofWishes(problem, order), unwanted),
    [problem, order],
  );
  return useDerived(isSeen && problem.wishes?.length ? work : null);
}
