import { useEffect, useMemo, useState } from 'react';
import type { DrawnDate } from '../../core/plan/dates/benchQueue';
import type { LineDraws, LinePicture } from '../../contract/line';
import { usePicture } from '../shared/usePicture';
import type { useDesk } from './useDesk';

/** While a job is carried from place to place only the last order is asked about. */
const REST_MS = 80;

/** The dates of an order under the draws of the time model, beside the page; null until they are known, or without sessions. */
export function useDates(picture: LinePicture, ask: ReturnType<typeof useDesk>['askDates'], order: Int32Array | null): DrawnDate[] | null {
  const { picture: draws } = usePicture<LineDraws>('/api/line/draws');
  const [known, setKnown] = useState<{ order: Int32Array; dates: DrawnDate[] } | null>(null);
  const factors = useMemo(() => {
    if (!draws) return null;
    const ofPass = new Map(draws.passes);
    const likely = new Array<number>(draws.draws).fill(1);
    return picture.jobs.map((job) => ofPass.get(job.passKey) ?? likely);
  }, [draws, picture]);
  useEffect(() => {
    if (!order || !draws || !factors) return;
    let isWanted = true;
    const rests = setTimeout(() => void ask(order, factors, draws.draws).then((dates) => isWanted && setKnown({ order, dates })), REST_MS);
    return () => {
      isWanted = false;
      clearTimeout(rests);
    };
  }, [ask, order, draws, factors]);
  return known !== null && known.order === order ? known.dates : null;
}
