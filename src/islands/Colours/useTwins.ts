import { useCallback } from 'react';
import type { NearTwins } from '../../core/paint/nearTwins';
import type { TwinPrice } from '../../core/plan/choices/sharing';
import type { BoardRow } from '../../core/paint/colourBoard';
import type { TwinsPicture } from '../../contract/colours';
import { send } from '../client/api';
import { useDerived } from '../client/useDerived';
import { callOnce } from '../client/WorkerCalls';
import type { TwinsWorker } from '../workers/twins.worker';

/** As many as the server prices at once. */
const MOST_PRICED = 12;

export interface Twins extends NearTwins {
  /** Null until it has been worked out: of the pair, the first stays. */
  price: TwinPrice | null;
}

const begin = () => new Worker(new URL('../workers/twins.worker.ts', import.meta.url), { type: 'module' });

/** Near twins among the paints and mixes that are in use, found beside the page and then priced by the server. */
export function useTwins(rows: readonly BoardRow[], limit: number): { twins: Twins[] | null; error: string | null; again: () => void } {
  const compare = useCallback(
    async (unwanted: AbortSignal) => {
      const paints = rows.filter(({ left }) => left > 0).map(({ paint: { id, hex, kind } }) => ({ id, hex, kind }));
      const near = await callOnce<TwinsWorker, NearTwins[]>(begin, (worker) => worker.near(paints, limit), unwanted);
      return near.slice(0, MOST_PRICED).map((twins) => ({ ...twins, pair: easierFirst(twins.pair, rows) }));
    },
    [rows, limit],
  );
  const { value: twins, error, again } = useDerived(compare);
  const price = useCallback(
    () => send<TwinsPicture>('POST', '/api/colours/twins', { pairs: twins!.map(({ pair }) => pair) }).then(({ prices }) => prices),
    [twins],
  );
  const { value: prices } = useDerived(twins && twins.length > 0 ? price : null);
  return { twins: twins && twins.map((each, index) => ({ ...each, price: prices?.[index] ?? null })), error, again };
}

/** What needs no mixing stays; of two alike that with which more is painted. */
function easierFirst([a, b]: [string, string], rows: readonly BoardRow[]): [string, string] {
  const row = (id: string) => rows.find(({ paint }) => paint.id === id);
  const [one, other] = [row(a), row(b)];
  if (one?.isMix !== other?.isMix) return one?.isMix ? [b, a] : [a, b];
  return (other?.left ?? 0) > (one?.left ?? 0) ? [b, a] : [a, b];
}
