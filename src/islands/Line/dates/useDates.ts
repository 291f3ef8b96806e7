import { useCallback, useMemo } from 'react';
import type { DrawnDate } from '../../../core/plan/dates/benchQueue';
import type { LineDraws, LinePicture } from '../../../contract/line';
import { useDerived, type Derived } from '../../client/useDerived';
import { usePicture } from '../../client/usePicture';
import type { LineDeskCalls } from '../search/useDesk';

/** While a job is carried from place to place only the last order is asked about. */
const REST_MS = 80;

/** The dates of an order under the draws of the time model, beside the page; none without sessions. */
export function useDates(picture: LinePicture, desk: LineDeskCalls, order: Int32Array | null): Derived<DrawnDate[]> {
  const { picture: draws } = usePicture<LineDraws>('/api/line/draws');
  const factors = useMemo(() => {
    if (!draws) return null;
    const ofPass = new Map(draws.passes);
    const likely = new Array<number>(draws.draws).fill(1);
    return picture.jobs.map((job) => ofPass.get(job.passKey) ?? likely);
  }, [draws, picture]);
  const work = useCallback(() => desk.call((remote) => remote.dates(order!, factors!, draws!.draws)), [desk, order, factors, draws]);
  return useDerived(order && factors ? work : null, { restMs: REST_MS });
}
