import { useEffect, useState } from 'react';
import type { LineProblem } from '../../core/line/definitions';
import type { WishPrice } from '../../core/line/hand/wishPrices';
import { watchWorker } from '../shared/watchWorker';
import type { PricesRequest } from '../workers/wishPrices.worker';

/** What each wish of the line costs, worked out beside the page: null until it is known, `failed` where it never will be. */
export function useWishPrices(problem: LineProblem, order: Int32Array): WishPrice[] | 'failed' | null {
  const [known, setKnown] = useState<{ of: Int32Array; prices: WishPrice[] | 'failed' } | null>(null);
  useEffect(() => {
    if (!problem.wishes?.length) return;
    const worker = new Worker(new URL('../workers/wishPrices.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<WishPrice[]>) => setKnown({ of: order, prices: data }));
    watchWorker(worker, () => setKnown({ of: order, prices: 'failed' }));
    worker.postMessage({ problem, order } satisfies PricesRequest);
    return () => worker.terminate();
  }, [problem, order]);
  return known?.of === order ? known.prices : null;
}
