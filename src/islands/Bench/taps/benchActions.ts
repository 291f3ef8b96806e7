import type { BenchJob, BenchLine, BenchPass } from '../../../core/bench/guide/benchLine';
import type { Decision } from '../../../core/bench/guide/decisions';
import { shareOut, type OpenStage } from '../../../core/bench/guide/openStages';
import { isTrayFetched, readyAtOfStart } from '../../../core/bench/guide/startingTaps';
import type { LookBack, viewBench } from '../../../core/bench/guide/viewBench';
import type { BenchEvent } from '../../../core/bench/definitions';
import type { foldClock } from '../../../core/bench/replay/foldClock';
import type { Verdict } from '../../../core/scheme/authoring/trial';
import type { Paint } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { cautionOf } from '../../../core/scheme/model/techniques';
import type { BenchFigures, PaintedPass } from '../../../contract/bench';
import { programNow } from '../../client/clock';
import type { NewEvent } from '../../client/taps/useOutbox';
import { likelyMinutes } from '../likelyMinutes';

/** The bench as it stands when something is tapped. */
interface TappedBench {
  line: BenchLine;
  house: HouseRules;
  paints: ReadonlyMap<string, Paint>;
  units: ReadonlyMap<string, BenchLine['units'][number]>;
  passes: ReadonlyMap<string, BenchPass>;
  events: readonly BenchEvent[];
  figures: Pick<BenchFigures, 'passes'>;
  clock: ReturnType<typeof foldClock>['clock'];
  view: ReturnType<typeof viewBench>;
  arrivedAt: number;
  /** When what is in hand may go on, in milliseconds. */
  goesOnAt: number;
  /** Of a pass, by its key, and the pot that a model takes. */
  factsFor: (key: string, model?: number) => NewEvent['facts'];
}

/** What a tap may do. */
interface Hands {
  record: (...taps: NewEvent[]) => void;
  changeScheme: (method: 'POST' | 'PUT', path: string, body: object) => void;
  /** Once what was tapped is stored. */
  reloadLater: () => void;
}

/** What each tap at the bench says, of the bench as it stands: the words of the log, and no state of its own. */
export function benchActions(
  { line, house, paints, units, passes, events, figures, clock, view, arrivedAt, goesOnAt, factsFor }: TappedBench,
  { record, changeScheme, reloadLater }: Hands,
  now: number,
) {
  const { job, model } = view;
  const pass = job && passes.get(job.passKey)!;
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
      ...of(taken, next.models),
      models,
      readyAt,
      note: cautionOf(taken, paints.get(next.paintId ?? '')?.kind ?? null) ?? '',
    };
  };
  const changeStep = (changed: BenchPass, change: { coats?: number; pot?: string; keeps: boolean }) =>
    changeScheme('POST', `/api/units/${changed.unitId}/step`, { step: changed.stepId, ...change });
  /** Some models try another pot, or what was tried is decided for all. */
  const trial = (method: 'POST' | 'PUT', tried: BenchPass, of: { pot: string; models: number[] } | { verdict: Verdict }) =>
    changeScheme(method, `/api/units/${tried.unitId}/trial`, { step: tried.stepId, ...of });
  const actions = {
    /** The one thing the big button means now. */
    main: () => {
      if (clock.pausedSince !== null && view.clock.pausedSince !== null) return record({ kind: 'resumed' });
      // Wet work is never begun by the rhythm of the taps: `startEarly` asks first.
      if (!job || !pass || model === null || goesOnAt > now) return;
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
      if (!events.some((event) => event.id === target.id)) reloadLater();
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
  return actions;
}
