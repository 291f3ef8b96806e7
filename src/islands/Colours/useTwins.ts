import { useEffect, useState } from 'react';
import type { NearTwins } from '../../core/colour/nearTwins';
import type { TwinPrice } from '../../core/plan/choices/sharing';
import type { BoardRow } from '../../core/colour/colourBoard';
import type { TwinsPicture } from '../../contract/colours';
import { send } from '../shared/api';
import { watchWorker } from '../shared/watchWorker';
import type { TwinsRequest } from '../workers/twins.worker';

/** As many as the server prices at once. */
const MOST_PRICED = 12;

export interface Twins extends NearTwins {
  /** Null until it has been worked out: by the painter's pair, the first stays. */
  price: TwinPrice | null;
}

/** Near twins among the paints that are in use, found beside the page and then priced by the server. */
export function useTwins(rows: readonly BoardRow[], limit: number): { twins: Twins[] | null; error: string | null } {
  const [found, setFound] = useState<{ of: readonly BoardRow[]; limit: number; twins: NearTwins[] } | null>(null);
  const [failed, setFailed] = useState<{ of: readonly BoardRow[]; error: string } | null>(null);
  const [prices, setPrices] = useState<{ of: NearTwins[]; prices: TwinPrice[] } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../workers/twins.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<NearTwins[]>) =>
      setFound({ of: rows, limit, twins: data.map((twins) => ({ ...twins, pair: busierFirst(twins.pair, rows) })) }),
    );
    watchWorker(worker, (error) => setFailed({ of: rows, error }));
    const paints = rows.filter(({ isMix, left }) => !isMix && left > 0).map(({ paint: { id, hex, kind } }) => ({ id, hex, kind }));
    worker.postMessage({ paints, limit } satisfies TwinsRequest);
    return () => worker.terminate();
  }, [rows, limit]);
  const twins = found !== null && found.of === rows && found.limit === limit ? found.twins : null;
  useEffect(() => {
    if (!twins || twins.length === 0) return;
    let isWanted = true;
    const pairs = twins.slice(0, MOST_PRICED).map(({ pair }) => pair);
    send<TwinsPicture>('POST', '/api/colours/twins', { pairs }).then(
      (answer) => isWanted && setPrices({ of: twins, prices: answer.prices }),
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [twins]);
  const known = prices !== null && prices.of === twins ? prices.prices : [];
  return {
    twins: twins && twins.slice(0, MOST_PRICED).map((each, index) => ({ ...each, price: known[index] ?? null })),
    error: failed?.of === rows ? failed.error : null,
  };
}

/** The paint that more is painted with stays. */
function busierFirst([a, b]: [string, string], rows: readonly BoardRow[]): [string, string] {
  const left = (id: string) => rows.find(({ paint }) => paint.id === id)?.left ?? 0;
  return left(b) > left(a) ? [b, a] : [a, b];
}
