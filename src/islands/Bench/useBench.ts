import { useCallback, useMemo, useRef, useState } from 'react';
import { dryingModels, passesDoneOn, viewBench } from '../../core/bench/benchView';
import type { BenchEvent } from '../../core/bench/definitions';
import { replayBench } from '../../core/bench/replayBench';
import { factsOf } from '../../core/scheme/techniques';
import type { BenchPicture } from '../../core/views/bench';
import type { CommissionEstimate } from '../../core/views/estimate';
import { send } from '../shared/api';
import { useEvents } from './useEvents';

/** The bench as it stands: the state after all taps, what to do now, and what a tap does. */
export function useBench(picture: BenchPicture, commissionId: string) {
  const { stillWet } = picture;
  const run = useMemo(() => ({ ...picture.run, stillWet }), [picture.run, stillWet]);
  const [estimate, setEstimate] = useState(picture.estimate);
  const asked = useRef(0);
  const refresh = useCallback(
    (stored: BenchEvent[]) => {
      if (!stored.some((event) => ['done', 'undone', 'touched-up'].includes(event.kind))) return;
      const ask = ++asked.current;
      send<CommissionEstimate>('GET', `/api/commissions/${commissionId}/estimate`).then(
        (answer) => {
          if (ask === asked.current) setEstimate(answer);
        },
        () => undefined, // The old figures stay until the next tap is stored.
      );
    },
    [commissionId],
  );
  const { events, unsent, problem, record } = useEvents(run.id, picture.events, refresh);

  const state = useMemo(() => replayBench(run.jobs, events), [run, events]);
  const view = useMemo(() => viewBench(run, state), [run, state]);
  const jobs = useMemo(() => new Map(run.jobs.map((job) => [job.id, job])), [run]);
  const job = view.job === null ? null : jobs.get(view.job)!;

  const actions = {
    /** The one thing the big button means now. */
    main: () => {
      if (!job || view.model === null) return;
      if (state.pausedSince !== null) record({ kind: 'resumed' });
      else if (view.needsStart) actions.takeUp(job.id);
      else record({ kind: 'done', job: job.id, model: view.model });
    },
    takeUp: (jobId: string) => record({ kind: 'started', job: jobId, note: factsOf(jobs.get(jobId)!.technique).caution ?? '' }),
    undo: () => state.lastUndoable && record({ kind: 'undone', target: state.lastUndoable.id }),
    pause: () => record({ kind: state.pausedSince === null ? 'paused' : 'resumed' }),
    miss: (jobId: string, model: number) => record({ kind: 'missed', job: jobId, model }),
    touchUp: () => {
      const [miss] = view.misses;
      if (miss) record({ kind: 'touched-up', job: miss.job, model: miss.model });
    },
    note: (text: string) => record({ kind: 'noted', job: view.job, model: view.model, note: text }),
    /** The time since the last tap was a break: it is taken out of the work. */
    wasBreak: () => state.lastAt !== null && record({ kind: 'paused', at: new Date(state.lastAt + 1).toISOString() }, { kind: 'resumed' }),
  };

  return {
    run,
    jobs,
    job,
    state,
    view,
    estimate,
    before: picture.estimate,
    unsent,
    problem,
    actions,
    drying: (now: number) => dryingModels(run, state, now),
    passesOn: (model: number) => (job ? passesDoneOn(run, state, job.unitId, model).map((each) => jobs.get(each.id)!) : []),
  };
}

export type Bench = ReturnType<typeof useBench>;
