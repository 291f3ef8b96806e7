import { useEffect, useMemo, useState } from 'react';
import { compareStrategies } from '../../core/line/compareStrategies';
import { compileLine } from '../../core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../../core/line/constructOrder';
import type { LinePlan } from '../../core/line/definitions';
import { planOrder } from '../../core/line/planLine';
import { sharedLegs } from '../../core/scheme/sharedLegs';
import type { LinePicture } from '../../core/views/line';
import type { SolveReport, SolveRequest } from '../../core/line/runSolver';

const SEARCH_MS = 1000;
const SEED = 1;

/** The plan of a line: a construction at once, then a second of search in a worker. */
export function useLine(picture: LinePicture) {
  const compiled = useMemo(() => compileLine(picture.problem), [picture]);
  const [order, setOrder] = useState<Int32Array>(() => greedyOrder(compiled, GREEDY_WEIGHTS[0]!));
  const [searching, setSearching] = useState(true);

  useEffect(() => {
    if (picture.jobs.length === 0) return;
    const worker = new Worker(new URL('../workers/solver.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<SolveReport>) => {
      setOrder(data.order);
      if (data.done) setSearching(false);
    });
    worker.addEventListener('error', () => setSearching(false));
    worker.postMessage({ problem: picture.problem, seed: SEED, steps: null, milliseconds: SEARCH_MS } satisfies SolveRequest);
    return () => worker.terminate();
  }, [picture]);

  return useMemo(() => {
    const plan = planOrder(compiled, order);
    if ('missingMinutes' in plan) throw new Error('the Line view plans without sessions, so every order fits');
    const unitOfTray = new Map(picture.trays.map((tray) => [tray.id, tray.unitId]));
    return {
      plan,
      searching,
      strategies: compareStrategies(picture.problem, order, (tray) => unitOfTray.get(tray)!),
      shared: sharedLegs(picture, plan.legs),
    };
  }, [compiled, order, picture, searching]);
}

/** How far from the best possible a plan can be, in words. */
export function gapText(plan: LinePlan): string {
  if (plan.proven) return 'the best possible';
  return `at most ${Math.max(1, Math.ceil(plan.total - plan.bound))} min from the best possible`;
}
