import { useState, type RefObject } from 'react';
import type { BenchPass } from '../../../core/bench/guide/benchLine';
import { leftOutOf } from '../../../core/bench/guide/decisions';
import type { MissedPlace } from '../../../core/bench/guide/viewBench';
import type { MissStart } from '../said/MissPicker';
import type { Bench } from './useBench';

export type Asking =
  | { kind: 'miss'; start: MissStart | null }
  | { kind: 'touch-up' }
  | { kind: 'note' }
  | { kind: 'sheet' }
  | { kind: 'decide' };

/** What the panel above the button asks at the moment, and what is answered to it by button, key or number. */
export function useAsking(bench: Bench, main: RefObject<HTMLButtonElement | null>) {
  const { view, actions, job } = bench;
  const [asking, setAsking] = useState<Asking | null>(null);
  const [missed, setMissed] = useState<{ pass: BenchPass; model: number } | null>(null);
  /** Where there is little room, what is pressed less often stands behind one button. */
  const [isMore, setMore] = useState(false);

  /** Every small button hands the focus back, so that Space goes on meaning the model. */
  const back = (act: () => void) => () => {
    act();
    setAsking(null);
    setMore(false);
    main.current?.focus();
  };
  const ask = (next: Asking) => {
    setAsking(asking?.kind === next.kind ? null : next);
    setMore(false);
  };
  const lookAtOthers = (pass: BenchPass) => setAsking({ kind: 'miss', start: { passKey: pass.key, models: [] } });
  const forgetMissed = () => setMissed(null);
  const miss = (pass: BenchPass, models: number[], note: string) => {
    actions.miss(pass, models, note);
    setMissed(models.length === 1 && models[0]! > 1 ? { pass, model: models[0]! } : null);
  };
  const touchUp = ({ passKey, model }: MissedPlace) => actions.touchUp(bench.passes.get(passKey)!, [model]);
  const choices = view.model !== null && job ? bench.passesOn(job.unitId, view.model) : [];
  const isQuickMiss = asking?.kind === 'miss' && asking.start === null && choices.length > 0;
  const byNumber = (index: number) => {
    if (isQuickMiss && choices[index]) back(() => miss(choices[index]!, [view.model!], ''))();
    else if (asking?.kind === 'decide' && bench.decisions[index]) back(() => actions.decide(bench.decisions[index]!))();
    else if (asking?.kind === 'touch-up' && view.misses[index]) back(() => touchUp(view.misses[index]!))();
  };
  const canDecide = job !== null || bench.line.units.some(({ id }) => leftOutOf(id, bench).length > 0);
  /** Does the button answer what is asked, with the first of what there is to choose? */
  const isAnswered = isQuickMiss || (asking?.kind === 'touch-up' && view.misses.length > 0);
  return {
    ...{ asking, missed, isMore, choices, canDecide, isAnswered },
    ...{ back, ask, lookAtOthers, forgetMissed, miss, touchUp, byNumber, setMore },
  };
}

export type Questions = ReturnType<typeof useAsking>;
