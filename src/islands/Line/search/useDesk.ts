import { useCallback, useEffect, useMemo } from 'react';
import type { LineProblem } from '../../../core/line/definitions';
import type { PlaceReason } from '../../../core/line/hand/explainPlace';
import type { PlaceCost } from '../../../core/line/hand/places';
import type { Strategy } from '../../../core/line/search/strategies';
import type { LinePicture } from '../../../contract/line';
import { useDerived, type Derived } from '../../client/useDerived';
import { WorkerCalls } from '../../client/WorkerCalls';
import type { Desk } from '../../workers/desk.worker';

/** Answers questions about a line beside the page, so that long lines never hold up a frame. */
export type LineDeskCalls = WorkerCalls<Desk>;

export type AskPlaces = (order: Int32Array, from: number, end: number) => Promise<PlaceCost[]>;

const begin = () => new Worker(new URL('../../workers/desk.worker.ts', import.meta.url), { type: 'module' });

/** The desk of this line. */
export function useDesk(problem: LineProblem): LineDeskCalls {
  const desk = useMemo(() => new WorkerCalls<Desk>(begin, (remote) => remote.lay(problem)), [problem]);
  useEffect(() => () => desk.close(), [desk]);
  return desk;
}

/** The ways to paint the line that ask nobody, once they are wanted. */
export function useFixedStrategies(desk: LineDeskCalls, { trays, nearlyDone, turns }: LinePicture, isWanted: boolean): Derived<Strategy[]> {
  const work = useCallback(() => {
    const unitOfTray = new Map(trays.map((tray) => [tray.id, tray.unitId]));
    return desk.call((remote) => remote.strategies(unitOfTray, nearlyDone, turns));
  }, [desk, trays, nearlyDone, turns]);
  return useDerived(isWanted ? work : null);
}

/** A job that one only passes by is not asked about, or the answers to many would hold up the next question. */
const REST_MS = 60;

/** Why the job at a place stands there. */
export function useReason(desk: LineDeskCalls, order: Int32Array, place: number): Derived<PlaceReason> {
  const work = useCallback(() => desk.call<PlaceReason>((remote) => remote.reason(order, place)), [desk, order, place]);
  return useDerived(work, { restMs: REST_MS });
}
