import type { BenchJob, BenchPass } from '../../../core/bench/guide/benchLine';
import { isTrayFetched, readyAtOfStart } from '../../../core/bench/guide/startingTaps';
import type { LookBack } from '../../../core/bench/guide/viewBench';
import { cautionOf } from '../../../core/scheme/model/techniques';
import type { PaintedPass } from '../../../contract/bench';
import { programNow } from '../../client/clock';
import type { NewEvent } from '../../client/taps/useOutbox';
import { decisionActions } from './decisionActions';
import { factsOf, placeOf, type Hands, type TappedBench } from './tapped';
import { tickActions } from './tickActions';

/** What each tap at the bench says, of the bench as it stands: the words of the log, and no state of its own. */
export function benchActions(bench: TappedBench, hands: Hands, now: number) {
  const { line, house, paints, passes, events, clock, view, arrivedAt, goesOnAt, factsFor } = bench;
  const { record, reloadLater } = hands;
  const { job, model } = view;
  const pass = job && passes.get(job.passKey)!;
  const start = (next: BenchJob, models: number[] = []): NewEvent => {
    const taken = passes.get(next.passKey)!;
    const readyAt = readyAtOfStart({
      now: programNow(),
      arrivedAt,
      workingSince: view.clock.workingSince,
      firstReadyAt: view.readiness.firstReadyAt(next),
    });
    return {
      kind: 'started',
      ...factsOf(bench, taken, next.models),
      models,
      readyAt,
      note: cautionOf(taken, paints.get(next.paintId ?? '')?.kind ?? null) ?? '',
    };
  };
  const actions = {
    ...tickActions(bench, hands),
    ...decisionActions(bench, hands),
    /** The one thing the big button means now. */
    main: () => {
      if (clock.pausedSince !== null && view.clock.pausedSince !== null) return record({ kind: 'resumed' });
      // Wet work is never begun by the rhythm of the taps: `startEarly` asks first.
      if (!job || !pass || model === null || goesOnAt > now) return;
      if (view.needsStart) return record(start(job));
      const waited = view.readyAt > (view.clock.workingSince ?? Infinity) ? new Date(view.readyAt).toISOString() : null;
      const begins = view.clock.current?.passKey !== pass.key || pass.dips.length > 1;
      const fetchMinutes = isTrayFetched(line, events, job.unitId, model) ? house.fetchMinutes : null;
      record({ kind: 'done', ...(begins ? factsOf(bench, pass, [model]) : placeOf(pass)), models: [model], readyAt: waited, fetchMinutes });
    },
    /** Takes up what had better wait: what is wet, or lacks an earlier step. */
    startEarly: () => job && model !== null && record(start(job, [model])),
    /** Nothing of it is needed on the model in hand. */
    notNeeded: () => pass && model !== null && record({ kind: 'left-out', ...placeOf(pass), models: [model] }),
    takeUp: (next: BenchJob) => record(start(next)),
    /** Takes this model next, under the pass in hand; from another job the setup is taken up first. */
    pick: (from: BenchJob, chosen: number) => {
      const taps: NewEvent[] =
        view.clock.current?.passKey === from.passKey && view.clock.current.setupId === from.setupId ? [] : [start(from)];
      record(...taps, { kind: 'picked', unit: from.unitId, models: [chosen] });
    },
    /** What is offered while the model in hand is wet. */
    takeOffer: () => {
      if (job && view.dryModel !== null) actions.pick(job, view.dryModel);
      else if (view.offer) actions.takeUp(view.offer.job);
    },
    setAside: () => {
      if (job && model !== null) record({ kind: 'set-aside', unit: job.unitId, models: [model] });
    },
    bringBack: (unit: string, models: number[]) => record({ kind: 'brought-back', unit, models }),
    undo: () => {
      const target = clock.lastUndoable;
      if (!target) return;
      record({ kind: 'undone', target: target.id, unit: target.unit });
      // What lies before the events of this window is worked out by the server.
      if (!events.some((event) => event.id === target.id)) reloadLater();
    },
    pause: () => record({ kind: view.clock.pausedSince === null ? 'paused' : 'resumed' }),
    miss: (missed: BenchPass, models: number[], note = '') => record({ kind: 'missed', ...placeOf(missed), models, note }),
    touchUp: (missed: BenchPass, models: number[]) => record({ kind: 'touched-up', ...factsOf(bench, missed, models), models }),
    /** Of any unit that is open; the server knows the facts of those that are not on the line. */
    touchUpAnywhere: (unit: string, { key, stepId, coat }: PaintedPass, models: number[], minutes: number | null) =>
      record({ kind: 'touched-up', unit, step: stepId, coat, models, minutes, facts: factsFor(key, models[0]) ?? null }),
    /** The mix that this job takes can still be used. */
    mixKept: () => job && pass && record({ kind: 'mix-kept', ...factsOf(bench, pass, job.models) }),
    looked: ({ pass: washed, models }: LookBack) => record({ kind: 'looked', ...placeOf(washed), models }),
    note: (text: string) => record({ kind: 'noted', ...(pass ? placeOf(pass) : {}), models: model === null ? [] : [model], note: text }),
    end: () => record({ kind: 'ended' }),
    /** The time since the last tap was a break: it is taken out of the work. */
    wasBreak: () => clock.lastAt !== null && record({ kind: 'paused', at: new Date(clock.lastAt + 1).toISOString() }, { kind: 'resumed' }),
  };
  return actions;
}
