import { readCoatKey } from '../../kernel/ids';
import { object, mixed, array } from 'yup';
import type { BenchEvent, BenchEventKind, WorkFacts } from '../../bench/definitions';
import { handleMinutesOf } from '../../plan/build/buildLine';
import { SIZES, type Size } from '../../scheme/model/definitions';
import { TECHNIQUES, type Technique } from '../../scheme/model/techniques';
import { factorsFromEarlier } from '../scheme/earlierSchemes';
import { InputError } from '../../kernel/InputError';
import { count, id, instant, list, minutes, note, oneOf, requiredText } from '../fields';

/**
 * How the bench was written down before it was one stream: runs of one commission each, with a copy of the line. Kept to read
 * older databases and commission files.
 */
interface RunJob {
  id: string;
  passKey: string;
  unitId: string;
  unitName: string;
  size: Size;
  partName: string | null;
  technique: Technique;
  paintId: string | null;
  coverage: number;
  models: number[];
  minutes: number[];
  dryMinutes: number;
}

interface RunEvent {
  id: string;
  kind: BenchEventKind;
  at: string;
  job: string | null;
  model: number | null;
  target: string | null;
  note: string;
}

export interface BenchRun {
  id: string;
  startedAt: string;
  closedAt: string | null;
  jobs: RunJob[];
  events: RunEvent[];
}

const name = () => requiredText('a name');
const KINDS = ['started', 'done', 'undone', 'paused', 'resumed', 'missed', 'touched-up', 'noted'] as const;

export const benchRunSchema = object({
  id: id(),
  startedAt: instant(),
  closedAt: instant().nullable().notRequired().defined(),
  jobs: list(
    object({
      id: id(),
      passKey: id(),
      unitId: id(),
      unitName: name(),
      size: oneOf(SIZES),
      partName: name().nullable().notRequired().defined(),
      technique: oneOf(TECHNIQUES),
      paintId: id().nullable().notRequired().defined(),
      coverage: minutes(),
      models: array(count(1)).strict().required(),
      minutes: array(minutes()).strict().required(),
      dryMinutes: minutes(),
    }),
  ),
  events: list(
    object({
      id: id(),
      kind: mixed<BenchEventKind>()
        .required()
        .oneOf([...KINDS]),
      at: instant(),
      job: id().nullable().notRequired().defined(),
      model: count(1).nullable().notRequired().defined(),
      target: id().nullable().notRequired().defined(),
      note: note(),
    }),
    1_000_000,
  ),
});

/** Does a run fit the line it was of? Throws an `InputError` naming the first thing that does not; `field` is where the run stands. */
export function checkRun({ jobs, events }: Pick<BenchRun, 'jobs' | 'events'>, field: string): void {
  const byId = new Map<string, RunJob>();
  jobs.forEach((job, index) => {
    if (byId.has(job.id)) throw new InputError(`${field}.jobs[${index}].id`, job.id, 'give every job an id of its own');
    byId.set(job.id, job);
    if (job.minutes.length !== job.models.length)
      throw new InputError(
        `${field}.jobs[${index}].minutes`,
        job.minutes.length,
        `give one number for each of its ${job.models.length} models`,
      );
  });
  events.forEach((event, index) => {
    if (event.job === null) return;
    const job = byId.get(event.job);
    if (!job) throw new InputError(`${field}.events[${index}].job`, event.job, 'name a job of the run');
    if (event.model !== null && !job.models.includes(event.model))
      throw new InputError(`${field}.events[${index}].model`, event.model, 'name a model of the job');
  });
}

/** What names are not in the run itself. */
export interface RunNames {
  commissionId: string;
  commission: string;
  paint: (paintId: string) => string | null;
}

/** The events of a run as the one stream tells them: by step, coat and model, with the facts that the copy of the line held. */
export function eventsOfRun(run: Pick<BenchRun, 'jobs' | 'events'>, names: RunNames): BenchEvent[] {
  const jobs = new Map(run.jobs.map((job) => [job.id, job]));
  const units = new Map(run.events.flatMap((event) => (event.job === null ? [] : [[event.id, jobs.get(event.job)?.unitId ?? null]])));
  let passInHand: string | null = null;
  return run.events.flatMap((event): BenchEvent[] => {
    const job = event.job === null ? null : jobs.get(event.job);
    if (job === undefined) return [];
    const { step, coat } = job ? readCoatKey(job.passKey) : { step: null, coat: null };
    const begins = job !== null && (event.kind === 'started' || job.passKey !== passInHand);
    if (job) passInHand = job.passKey;
    return [
      {
        bench: null,
        id: event.id,
        kind: event.kind,
        at: event.at,
        unit: job?.unitId ?? units.get(event.target ?? '') ?? null,
        step,
        coat,
        // A run started jobs, not models.
        models: event.model === null || event.kind === 'started' ? [] : [event.model],
        target: event.target,
        minutes: null,
        readyAt: null,
        fetchMinutes: null,
        facts: begins ? factsOfJob(job, names) : null,
        note: event.note,
      },
    ];
  });
}

function factsOfJob(job: RunJob, names: RunNames): WorkFacts {
  const ordinary = job.minutes.length > 0 ? Math.min(...job.minutes) : 0;
  const longer = job.models.filter((_model, place) => job.minutes[place]! > ordinary * 1.0001);
  return {
    commissionId: names.commissionId,
    commission: names.commission,
    unit: job.unitName,
    part: job.partName ?? '',
    technique: job.technique,
    paintId: job.paintId,
    paint: job.paintId === null ? null : names.paint(job.paintId),
    size: job.size,
    coverage: job.coverage,
    dryMinutes: job.dryMinutes,
    handleMinutes: handleMinutesOf(job.technique, job.dryMinutes),
    minutes: ordinary,
    effort: 1,
    like: null,
    factors: factorsFromEarlier({
      leaders: Math.max(0, ...longer),
      leaderFactor: longer.length > 0 && ordinary > 0 ? Math.max(...job.minutes) / ordinary : 1,
    }),
  };
}
