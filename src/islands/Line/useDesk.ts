import { useCallback, useEffect, useRef, useState } from 'react';
import type { DrawnDate } from '../../core/plan/dates/benchQueue';
import type { LineProblem } from '../../core/line/definitions';
import type { PlaceReason } from '../../core/line/hand/explainPlace';
import type { KeptDate } from '../../core/line/hand/keepDate';
import type { PlaceCost } from '../../core/line/hand/places';
import type { Strategy } from '../../core/line/search/strategies';
import type { TrayInfo } from '../../core/plan/build/lineJobs';
import { watchWorker } from '../shared/watchWorker';
import type { DeskAnswer, DeskQuestion } from '../workers/desk.worker';

export type AskPlaces = (order: Int32Array, from: number, end: number) => Promise<PlaceCost[]>;

/** Answers questions about the line beside the page, so that long lines never hold up a frame. */
export function useDesk(problem: LineProblem) {
  const worker = useRef<Worker>(undefined);
  const waiting = useRef(new Map<number, (answer: never) => void>());
  const lastId = useRef(0);
  const [failed, setFailed] = useState<string | null>(null);

  useEffect(() => {
    const desk = new Worker(new URL('../workers/desk.worker.ts', import.meta.url), { type: 'module' });
    const open = waiting.current;
    desk.addEventListener('message', ({ data }: MessageEvent<DeskAnswer>) => {
      open.get(data.id)?.(data.answer as never);
      open.delete(data.id);
    });
    watchWorker(desk, setFailed);
    desk.postMessage({ kind: 'line', problem } satisfies DeskQuestion);
    worker.current = desk;
    return () => {
      desk.terminate();
      open.clear();
    };
  }, [problem]);

  const ask = useCallback(<T>(question: (id: number) => DeskQuestion): Promise<T> => {
    const id = ++lastId.current;
    return new Promise<T>((resolve) => {
      waiting.current.set(id, resolve as (answer: never) => void);
      worker.current?.postMessage(question(id));
    });
  }, []);

  const askPlaces = useCallback<AskPlaces>((order, from, end) => ask((id) => ({ kind: 'places', id, order, from, end })), [ask]);
  const askReason = useCallback(
    (order: Int32Array, place: number) => ask<PlaceReason>((id) => ({ kind: 'reason', id, order, place })),
    [ask],
  );
  const askStrategies = useCallback(
    (unitOfTray: ReadonlyMap<string, string>, nearlyDone: readonly string[]) =>
      ask<Strategy[]>((id) => ({ kind: 'strategies', id, unitOfTray, nearlyDone })),
    [ask],
  );
  const askDates = useCallback(
    (order: Int32Array, factors: ArrayLike<ArrayLike<number>>, draws: number) =>
      ask<DrawnDate[]>((id) => ({ kind: 'dates', id, order, factors, draws })),
    [ask],
  );
  const askToKeep = useCallback((order: Int32Array, date: string) => ask<KeptDate>((id) => ({ kind: 'keep', id, order, date })), [ask]);
  return { askPlaces, askReason, askStrategies, askDates, askToKeep, failed };
}

/** The ways to paint the line that ask nobody; none until they have been worked out. */
export function useFixedStrategies(
  ask: ReturnType<typeof useDesk>['askStrategies'],
  problem: LineProblem,
  trays: readonly TrayInfo[],
  nearlyDone: readonly string[],
): Strategy[] {
  const [known, setKnown] = useState<{ of: LineProblem; strategies: Strategy[] } | null>(null);
  useEffect(() => {
    let isWanted = true;
    const unitOfTray = new Map(trays.map((tray) => [tray.id, tray.unitId]));
    void ask(unitOfTray, nearlyDone).then((strategies) => isWanted && setKnown({ of: problem, strategies }));
    return () => {
      isWanted = false;
    };
  }, [ask, problem, trays, nearlyDone]);
  return known?.of === problem ? known.strategies : NONE;
}

const NONE: Strategy[] = [];

/** A job that one only passes by is not asked about, or the answers to many would hold up the next question. */
const REST_MS = 60;

/** Why the job at a place stands there; null until it has been worked out. */
export function useReason(ask: ReturnType<typeof useDesk>['askReason'], order: Int32Array, place: number): PlaceReason | null {
  const [known, setKnown] = useState<{ order: Int32Array; place: number; reason: PlaceReason } | null>(null);
  useEffect(() => {
    let isWanted = true;
    const rests = setTimeout(() => void ask(order, place).then((reason) => isWanted && setKnown({ order, place, reason })), REST_MS);
    return () => {
      isWanted = false;
      clearTimeout(rests);
    };
  }, [ask, order, place]);
  return known?.order === order && known.place === place ? known.reason : null;
}
