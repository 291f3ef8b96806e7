import { useCallback, useMemo, useState } from 'react';
import { dipFor, factsOfPass } from '../../../core/bench/guide/benchLine';
import { effectiveEvents } from '../../../core/bench/replay/effectiveEvents';
import { mixInHand, type MixInHand } from '../../../core/bench/guide/mixInHand';
import { endingAdvice } from '../../../core/bench/guide/evening';
import { foldClock } from '../../../core/bench/replay/foldClock';
import { foldMarks, marksOn } from '../../../core/bench/replay/foldMarks';
import { dryingPlaces, lookBacks, passesDoneOn, troubleSpots, viewBench, type BenchScene } from '../../../core/bench/guide/viewBench';
import { wholeEvent } from '../../../core/bench/wholeEvent';
import { changeoverMinutes, setupOf, startMinutes } from '../../../core/scheme/passes/setups';
import { lineTools } from '../../../core/plan/build/lineTools';
import { unpackMarks, type BenchFigures, type BenchPicture } from '../../../contract/bench';
import { send } from '../../client/api';
import { benchActions } from './benchActions';
import { useArrival } from './useArrival';
import { decisionsOn } from '../../../core/bench/guide/decisions';
import { likelyMinutes } from '../likelyMinutes';
import { useEvents } from './useEvents';
import { FIGURES_MS, useFigures } from './useFigures';

const NO_MIX: MixInHand = { state: 'none' };

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

  const [refused, setRefused] = useState<string | null>(null);
  /** Changes the scheme from here; what is laid on the bench follows it. */
  const changeScheme = (method: 'POST' | 'PUT', path: string, body: object) => {
    setRefused(null);
    send(method, path, body).then(reload, (error: Error) => setRefused(error.message));
  };
  const tapped = { line, house, paints, units, passes, events, figures, clock, view, arrivedAt, goesOnAt, factsFor };
  const actions = benchActions(tapped, { record, changeScheme, reloadLater: () => setTimeout(reload, FIGURES_MS) }, now);

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
