import { HOUR_MS, MINUTE_MS } from '../../kernel/timeUnits';
import type { LineTool } from '../../line/definitions';
import { factsOf } from '../../scheme/model/techniques';
import type { BenchJob, BenchLine, BenchPass } from './benchLine';
import { clockAt } from '../replay/foldClock';
import type { BenchClock, BenchMarks } from '../definitions';
import { BenchReadiness, dryAt, type BrokenRule } from './readiness';

/** What the bench looks at: the line as it is today, and what stands on the models. */
export interface BenchScene {
  line: BenchLine;
  tools: readonly LineTool[];
  state: BenchMarks;
  clock: BenchClock;
  /** Changeover minutes from the setup in hand, or from none. */
  changeover: (fromSetup: string | null, to: BenchJob) => number;
}

/** Something else to take up while the model in hand is wet. */
export interface Offer {
  job: BenchJob;
  ready: number[];
  changeoverMinutes: number;
}

export interface MissedPlace {
  passKey: string;
  unitId: string;
  model: number;
  note: string;
}

/** What to do now, what comes next, what was missed. */
export interface BenchView {
  readiness: BenchReadiness;
  clock: BenchClock;
  /** The job to work on; null when every job of the line is finished. */
  job: BenchJob | null;
  /** It needs its setup in hand first: the painter says when to start. */
  needsStart: boolean;
  /** The model to take up; null when nothing is left. */
  model: number | null;
  /** When that model may be worked on, UTC ms; 0 when at once or when the painter started anyway. */
  readyAt: number;
  toolReadyAt: number;
  /** Rules that taking up the job would break. */
  broken: BrokenRule[];
  /** Another model of the job that is dry, while this one is wet. */
  dryModel: number | null;
  /** Another job worth taking up while nothing of this one is dry. */
  offer: Offer | null;
  nextJobs: BenchJob[];
  /** Keys of passes that were put off for this evening. */
  putOff: ReadonlySet<string>;
  misses: MissedPlace[];
  modelsDone: number;
  modelsTotal: number;
}

/** Looks at the bench at `now` (UTC ms). A job taken up out of order stays the current one until it is finished. */
export function viewBench(scene: BenchScene, now: number): BenchView {
  const clock = clockAt(scene.clock, now);
  const readiness = new BenchReadiness(scene.line, scene.tools, scene.state, clock);
  const open = scene.line.jobs.filter((job) => readiness.openModels(job).length > 0);
  const putOff = new Set([...scene.state.putOff].filter(([, at]) => now - at < EVENING_MS).map(([key]) => key));
  const isTonight = (each: BenchJob) =>
    putOff.has(each.passKey)
      ? isTakenUpSince(scene.state.putOff.get(each.passKey)!, each.passKey, clock)
      : clock.current?.passKey === each.passKey || readiness.firstReadyAt(each) < Infinity;
  // What waits for something that was put off waits with it; where nothing else is left, it is offered again.
  const tonight = putOff.size === 0 ? open : open.filter(isTonight);
  const job = currentJob(tonight, clock) ?? tonight[0] ?? open[0] ?? null;
  const model = job && readiness.nextModel(job, now);
  const isHeld = job !== null && clock.current !== null && clock.current.setupId === job.setupId;
  const needsStart = job !== null && (!isHeld || clock.workingSince === null);
  const startedAnyway = model !== null && clock.startedAnyway === model && clock.current?.passKey === job?.passKey;
  const readyAt = job === null || model === null || startedAnyway ? 0 : readiness.of(job.passKey, model).readyAt;
  const toolReadyAt = job && needsStart ? readiness.toolReadyAt(job) : 0;
  const isWet = Math.max(readyAt, toolReadyAt) > now;
  const total = scene.line.jobs.reduce((sum, each) => sum + each.models.length, 0);
  return {
    readiness,
    clock,
    job,
    needsStart,
    model,
    readyAt,
    toolReadyAt,
    broken: job
      ? readiness.broken(job.passKey, needsStart ? readiness.openModels(job) : model === null || startedAnyway ? [] : [model])
      : [],
    dryModel: job && isWet ? (readiness.readyModels(job, now).find((each) => each !== model) ?? null) : null,
    offer: job && isWet ? offerOf(scene, tonight, job, readiness, clock, now) : null,
    nextJobs: [...tonight, ...open.filter((each) => !tonight.includes(each))].filter((each) => each !== job),
    putOff,
    misses: missesOf(scene),
    modelsDone: scene.line.jobs.reduce(
      (sum, each) => sum + each.models.filter((m) => scene.state.marks.get(each.passKey)?.has(m)).length,
      0,
    ),
    modelsTotal: total,
  };
}

/** An evening is not longer. */
const EVENING_MS = 8 * HOUR_MS;

/** The painter has taken it up all the same. */
const isTakenUpSince = (putOffAt: number, passKey: string, { current, workingSince }: BenchClock): boolean =>
  current?.passKey === passKey && (workingSince ?? 0) > putOffAt;

/** The job in hand: of the pass taken up, the tray of the model chosen, else the first tray with open models. */
function currentJob(open: readonly BenchJob[], clock: BenchClock): BenchJob | undefined {
  if (!clock.current) return undefined;
  const jobs = open.filter((job) => job.passKey === clock.current!.passKey);
  const chosen = clock.startedAnyway ?? clock.picked;
  const withPot = jobs.find((job) => job.setupId === clock.current!.setupId);
  return jobs.find((job) => chosen !== null && job.models.includes(chosen)) ?? withPot ?? jobs[0];
}

/** The next job of the line that has models ready now, the one that costs least to take up first. */
function offerOf(
  scene: BenchScene,
  open: readonly BenchJob[],
  job: BenchJob,
  readiness: BenchReadiness,
  clock: BenchClock,
  now: number,
): Offer | null {
  let best: Offer | null = null;
  for (const other of open) {
    if (other === job) continue;
    const ready = readiness.readyModels(other, now);
    if (ready.length === 0) continue;
    const changeoverMinutes = scene.changeover(clock.current?.setupId ?? null, other);
    if (!best || changeoverMinutes < best.changeoverMinutes) best = { job: other, ready, changeoverMinutes };
  }
  return best;
}

function missesOf({ line, state }: BenchScene): MissedPlace[] {
  return line.passes.flatMap((pass) =>
    [...(state.marks.get(pass.key) ?? [])].flatMap(([model, { missed }]) =>
      missed ? [{ passKey: pass.key, unitId: pass.unitId, model, note: missed.note }] : [],
    ),
  );
}

export interface DryingPlace {
  passKey: string;
  unitId: string;
  model: number;
  dryAt: number;
}

/** Everything on the line that is not dry yet at `now` (UTC ms), first dry first. */
export const dryingPlaces = ({ line, state }: Pick<BenchScene, 'line' | 'state'>, now: number): DryingPlace[] =>
  line.passes
    .flatMap((pass) =>
      [...(state.marks.get(pass.key) ?? [])].flatMap(([model, mark]) =>
        dryAt(mark) > now ? [{ passKey: pass.key, unitId: pass.unitId, model, dryAt: dryAt(mark) }] : [],
      ),
    )
    .sort((a, b) => a.dryAt - b.dryAt);

/** Passes done on a model, latest first: where a miss may have happened. */
export function passesDoneOn({ line, state }: Pick<BenchScene, 'line' | 'state'>, unitId: string, model: number): BenchPass[] {
  const at = (pass: BenchPass) => state.marks.get(pass.key)?.get(model)?.at ?? -1;
  return line.passes.filter((pass) => pass.unitId === unitId && at(pass) >= 0).sort((a, b) => at(b) - at(a));
}

/** Places missed before under a like pass, of this unit or of another that is painted alike. */
export function troubleSpots({ line, state }: Pick<BenchScene, 'line' | 'state'>, pass: BenchPass): { models: number; notes: string[] } {
  const alike = new Set(line.passes.filter((each) => isAlike(each, pass)).map((each) => each.key));
  const spots = state.trouble.filter((spot) => alike.has(spot.passKey));
  return {
    models: new Set(spots.flatMap((spot) => spot.models.map((model) => `${spot.unit} ${model}`))).size,
    notes: [...new Set(spots.map((spot) => spot.note.trim()).filter((note) => note !== ''))],
  };
}

const isAlike = (a: BenchPass, b: BenchPass): boolean =>
  a.key === b.key || (a.technique === b.technique && a.part !== null && a.part.toLowerCase() === b.part?.toLowerCase());

/** A wash pools for so long after it went on; after that it has begun to set. */
const POOLING_MINUTES = 8;

export interface LookBack {
  pass: BenchPass;
  models: number[];
  /** When the last of them is dry and may be judged, UTC ms. */
  judgeAt: number;
}

/** Washes of the last minutes that nobody has looked over for pools yet. */
export function lookBacks({ line, state }: Pick<BenchScene, 'line' | 'state'>, now: number): LookBack[] {
  return line.passes.flatMap((pass) => {
    if (factsOf(pass.technique).moment !== 'shade') return [];
    const recent = [...(state.marks.get(pass.key) ?? [])].filter(
      ([model, mark]) => now - mark.at < POOLING_MINUTES * MINUTE_MS && now >= mark.at && !state.looked.get(pass.key)?.has(model),
    );
    if (recent.length === 0) return [];
    return [
      { pass, models: recent.map(([model]) => model).sort((a, b) => a - b), judgeAt: Math.max(...recent.map(([, mark]) => dryAt(mark))) },
    ];
  });
}
