import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { dipFor, factsOfPass, type BenchJob, type BenchPass } from '../../../core/bench/guide/benchLine';
import { effectiveEvents } from '../../../core/bench/replay/effectiveEvents';
import type { Verdict } from '../../../core/scheme/authoring/trial';
import { shareOut, type OpenStage } from '../../../core/bench/guide/openStages';
import { mixInHand, type MixInHand } from '../../../core/bench/guide/mixInHand';
import { endingAdvice } from '../../../core/bench/guide/evening';
import { foldClock } from '../../../core/bench/replay/foldClock';
import { foldMarks, marksOn } from '../../../core/bench/replay/foldMarks';
import { isTrayFetched, readyAtOfStart } from '../../../core/bench/guide/startingTaps';
import {
  dryingPlaces,
  lookBacks,
  passesDoneOn,
  troubleSpots,
  viewBench,
  type BenchScene,
  type LookBack,
} from '../../../core/bench/guide/viewBench';
import { wholeEvent } from '../../../core/bench/wholeEvent';
import { changeoverMinutes, setupOf, startMinutes } from '../../../core/scheme/passes/setups';
import { lineTools } from '../../../core/plan/build/lineTools';
import { cautionOf } from '../../../core/scheme/model/techniques';
import { unpackMarks, type BenchFigures, type BenchPicture, type PaintedPass } from '../../../contract/bench';
import { send } from '../../client/api';
import { programNow } from '../../client/clock';
import { useArrival } from './useArrival';
import { decisionsOn, type Decision } from '../../../core/bench/guide/decisions';
import { likelyMinutes } from '../likelyMinutes';
import type { NewEvent } from '../../client/taps/useOutbox';
import { useEvents } from './useEvents';

const NO_MIX: MixInHand = { state: 'none' };

/** Figures follow the taps, at most this often. */
const FIGURES_MS = 400;

/** The bench as it stands: the state after all taps, what to do now, and what a tap does. */
export function useBench(picture: BenchPicture, reload: () => void, now: number) {
  const { line, house } = picture;
  const paints = useMemo(() => new Map(picture.paints.map((paint) => [paint.id, paint])), [picture]);
  const units = useMemo(() => new Map(line.units.map((unit) => [unit.id, unit])), [line]);
  const passes = useMemo(() => new Map(line.passes.map((pass) => [pass.key, pass])), [line]);
  const factsFor = useCallback(
    (key: string, model?: number) => {
      const pass = passes.get(key);
      if (!pass) return undefined;
      const dip = dipFor(pass, model);
      return factsOfPass(pass, dip, units.get(pass.unitId)!, paints.get(dip.potId ?? '')?.name ?? null);
    },
    [passes, units, paints],
  );
  const { figures, refreshFigures } = useFigures(picture);
  const {
    events: more,
    unsent,
    ownTaps,
    problem,
    isOutdated,
    isHeard,
    record,
  } = useEvents(picture, { onStored: refreshFigures, onStale: reload });
  const events = useMemo(() => [...picture.events.map(wholeEvent), ...more], [picture, more]);

  const [first] = useState<BenchFigures>(picture);
  const arrivedAt = useArrival(picture.now);
  const hasEnded = useMemo(() => effectiveEvents(events).at(-1)?.kind === 'ended', [events]);
  const before = useMemo(() => unpackMarks(picture.before.marks), [picture]);
  const state = useMemo(
    () =>
      marksOn(
        line.passes.map((each) => each.key),
        foldMarks(events, { before, knownFacts: factsFor }),
      ),
    [line, events, before, factsFor],
  );
  const clock = useMemo(
    () => foldClock(events, { before: picture.before.clock, marked: before.marks, knownFacts: factsFor }).clock,
    [events, before, picture, factsFor],
  );
  const scene = useMemo<BenchScene>(
    () => ({
      line,
      tools: lineTools(house),
      state,
      clock,
      changeover: (from, to) => {
        const next = setupOf(to.setupId, paints);
        return from === null || from === '' ? startMinutes(next, house) : changeoverMinutes(setupOf(from, paints), next, house);
      },
    }),
    [line, house, state, clock, paints],
  );
  const view = viewBench(scene, now);
  const { job, model } = view;
  const pass = job && passes.get(job.passKey)!;
  /** When what is in hand may go on: not while it is wet, the tool rests, or an earlier step is missing (Infinity). */
  const goesOnAt = job === null || model === null ? 0 : Math.max(view.readyAt, view.toolReadyAt);
  const isWaiting = goesOnAt > now;

  /** With the facts of the pot that these models take. */
  const of = ({ key, unitId, stepId, coat }: BenchPass, models: readonly number[]) => ({
    unit: unitId,
    step: stepId,
    coat,
    facts: factsFor(key, models[0]) ?? null,
  });
  const place = ({ unitId, stepId, coat }: BenchPass) => ({ unit: unitId, step: stepId, coat });
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
      ...of(passes.get(next.passKey)!, next.models),
      models,
      readyAt,
      note: cautionOf(taken, paints.get(next.paintId ?? '')?.kind ?? null) ?? '',
    };
  };

  const [refused, setRefused] = useState<string | null>(null);
  /** Changes the scheme from here; what is laid on the bench follows it. */
  const changeStep = (changed: BenchPass, change: { coats?: number; pot?: string; keeps: boolean }) => {
    setRefused(null);
    send('POST', `/api/units/${changed.unitId}/step`, { step: changed.stepId, ...change }).then(reload, (error: Error) =>
      setRefused(error.message),
    );
  };
  /** Some models try another pot, or what was tried is decided for all. */
  const trial = (method: 'POST' | 'PUT', tried: BenchPass, of: { pot: string; models: number[] } | { verdict: Verdict }) => {
    setRefused(null);
    send(method, `/api/units/${tried.unitId}/trial`, { step: tried.stepId, ...of }).then(reload, (error: Error) =>
      setRefused(error.message),
    );
  };
  const actions = {
    /** The one thing the big button means now. */
    main: () => {
      if (clock.pausedSince !== null && view.clock.pausedSince !== null) return record({ kind: 'resumed' });
      // Wet work is never begun by the rhythm of the taps: `startEarly` asks first.
      if (!job || !pass || model === null || isWaiting) return;
      if (view.needsStart) return record(start(job));
      const waited = view.readyAt > (view.clock.workingSince ?? Infinity) ? new Date(view.readyAt).toISOString() : null;
      const begins = view.clock.current?.passKey !== pass.key || pass.dips.length > 1;
      const fetchMinutes = isTrayFetched(line, events, job.unitId, model) ? house.fetchMinutes : null;
      record({ kind: 'done', ...(begins ? of(pass, [model]) : place(pass)), models: [model], readyAt: waited, fetchMinutes });
    },
    /** Takes up what had better wait: what is wet, or lacks an earlier step. */
    startEarly: () => job && model !== null && record(start(job, [model])),
    /** Nothing of it is needed on the model in hand. */
    notNeeded: () => pass && model !== null && record({ kind: 'left-out', ...place(pass), models: [model] }),
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
      if (!events.some((event) => event.id === target.id)) setTimeout(reload, FIGURES_MS);
    },
    pause: () => record({ kind: view.clock.pausedSince === null ? 'paused' : 'resumed' }),
    miss: (missed: BenchPass, models: number[], note = '') => record({ kind: 'missed', ...place(missed), models, note }),
    touchUp: (missed: BenchPass, models: number[]) => record({ kind: 'touched-up', ...of(missed, models), models }),
    /** Of any unit that is open; the server knows the facts of those that are not on the line. */
    touchUpAnywhere: (unit: string, { key, stepId, coat }: PaintedPass, models: number[], minutes: number | null) =>
      record({ kind: 'touched-up', unit, step: stepId, coat, models, minutes, facts: factsFor(key, models[0]) ?? null }),
    /** The mix that this job takes can still be used. */
    mixKept: () => job && pass && record({ kind: 'mix-kept', ...of(pass, job.models) }),
    looked: ({ pass: washed, models }: LookBack) => record({ kind: 'looked', ...place(washed), models }),
    note: (text: string) => record({ kind: 'noted', ...(pass ? place(pass) : {}), models: model === null ? [] : [model], note: text }),
    /** Models that were painted and not ticked, from the leg sheet say; minutes are null where nobody knows them. */
    tickOff: (ticked: BenchJob, models: number[], minutes: number | null) =>
      record({ kind: 'done', ...of(passes.get(ticked.passKey)!, models), models, minutes: minutes ?? 0 }),
    /** All of a stage that was painted and not ticked; what is planned for each job says what it has of the minutes. */
    tickStage: ({ jobs }: OpenStage, minutes: number | null) => {
      const planned = jobs.map((each) => likelyMinutes({ figures, units }, passes.get(each.job.passKey)!, each.models));
      const told = shareOut(minutes, planned);
      record(
        ...jobs.map(({ job: ticked, models }, at): NewEvent => ({
          kind: 'done',
          ...of(passes.get(ticked.passKey)!, models),
          models,
          minutes: told[at]!,
        })),
      );
    },
    /** What was decided of models; another coat is a change of the scheme. */
    decide: ({ kind, models, passes: changed }: Decision) => {
      const [first] = changed;
      if (kind === 'start over') record(...changed.map((each): NewEvent => ({ kind: 'reopened', ...place(each), models })));
      else if (kind === 'not this session') record({ kind: 'put-off', ...place(first!) });
      else if (kind === 'leave out' || kind === 'leave out the rest') record({ kind: 'left-out', ...place(first!), models });
      else changeStep(first!, { coats: first!.coats + (kind === 'a coat less' ? -1 : 1), keeps: kind === 'another coat on the rest' });
    },
    /** They get the pass after all. */
    takeBack: (without: BenchPass, models: number[]) => record({ kind: 'reopened', ...place(without), models }),
    /** What was said of those that carry the other pot is noted of those that get this one. */
    takePot: (changed: BenchPass, pot: string, note: string) => {
      if (note !== '' && job) record({ kind: 'noted', ...place(changed), models: view.readiness.openModels(job), note });
      changeStep(changed, { pot, keeps: true });
    },
    tryPot: (tried: BenchPass, pot: string, models: number[]) => trial('POST', tried, { pot, models }),
    settleTrial: (tried: BenchPass, verdict: Verdict) => trial('PUT', tried, { verdict }),
    end: () => record({ kind: 'ended' }),
    /** The time since the last tap was a break: it is taken out of the work. */
    wasBreak: () => clock.lastAt !== null && record({ kind: 'paused', at: new Date(clock.lastAt + 1).toISOString() }, { kind: 'resumed' }),
  };

  return {
    picture,
    events,
    /** What stood before them, for whoever folds them again. */
    past: { before: picture.before.clock, marked: before.marks, knownFacts: factsFor },
    line,
    units,
    passes,
    paints,
    state,
    clock,
    scene,
    view,
    job,
    pass,
    references: picture.pictures,
    figures,
    first,
    unsent,
    isHeard,
    ownTaps,
    problem: problem ?? refused,
    isOutdated,
    decisions: pass
      ? decisionsOn(pass, model, { line, state, minutesOf: (each, models) => likelyMinutes({ figures, units }, each, models) })
      : [],
    actions,
    refreshFigures,
    /** Whether the mix that the job takes has still to be made; only where it is taken up next. */
    mix: job && view.needsStart ? mixInHand(line, state, job, now) : NO_MIX,
    ending: endingAdvice(scene, view, picture.sessions, now),
    goesOnAt,
    isWaiting,
    hasEnded,
    lookBacks: lookBacks(scene, now),
    drying: dryingPlaces(scene, now),
    trouble: pass ? troubleSpots(scene, pass) : { models: 0, notes: [] },
    passesOn: (unitId: string, each: number) => passesDoneOn(scene, unitId, each),
  };
}

export type Bench = ReturnType<typeof useBench>;

/** The figures as they follow the taps; those the window was opened with stay for comparison. */
function useFigures(picture: BenchPicture) {
  const [figures, setFigures] = useState<BenchFigures>(picture);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [shownFor, setShownFor] = useState(picture);
  if (shownFor !== picture) {
    setShownFor(picture);
    setFigures(picture);
  }
  const refreshFigures = useCallback(() => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      // The old figures stay until the next tap is stored.
      send<BenchFigures>('GET', '/api/bench/figures').then(setFigures, () => undefined);
    }, FIGURES_MS);
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  return { figures, refreshFigures };
}
