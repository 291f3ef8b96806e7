import { factorsFromEarlier } from './schemes';

/** How runs became the one stream of events, as it was then. Never changed. */
interface RunJob {
  id: string;
  passKey: string;
  unitId: string;
  unitName: string;
  size: string;
  partName: string | null;
  technique: string;
  paintId: string | null;
  coverage: number;
  models: number[];
  minutes: number[];
  dryMinutes: number;
}

export interface BenchRun {
  jobs: RunJob[];
  events: { id: string; kind: string; at: string; job: string | null; model: number | null; target: string | null; note: string }[];
}

export interface StreamEvent {
  bench: null;
  id: string;
  kind: string;
  at: string;
  unit: string | null;
  step: string | null;
  coat: number | null;
  models: number[];
  target: string | null;
  minutes: null;
  readyAt: null;
  fetchMinutes: null;
  facts: object | null;
  note: string;
}

/** What names are not in the run itself. */
interface RunNames {
  commissionId: string;
  commission: string;
  paint: (paintId: string) => string | null;
}

/** Minutes not to be picked up, by technique; the others could be at once. */
const HANDLE_MINUTES: Record<string, number> = {
  assemble: 10,
  prime: 15,
  texture: 20,
  seal: 20,
  scatter: 10,
  varnish: 30,
  'gloss-effect': 15,
};

/** The events of a run as the one stream tells them: by step, coat and model, with the facts that the copy of the line held. */
export function eventsOfRun(run: Pick<BenchRun, 'jobs' | 'events'>, names: RunNames): StreamEvent[] {
  const jobs = new Map(run.jobs.map((job) => [job.id, job]));
  const units = new Map(run.events.flatMap((event) => (event.job === null ? [] : [[event.id, jobs.get(event.job)?.unitId ?? null]])));
  let passInHand: string | null = null;
  return run.events.flatMap((event): StreamEvent[] => {
    const job = event.job === null ? null : jobs.get(event.job);
    if (job === undefined) return [];
    const [step, coat] = job ? (job.passKey.split('#') as [string, string]) : [null, null];
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
        coat: coat === null ? null : Number(coat),
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

function factsOfJob(job: RunJob, names: RunNames): object {
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
    handleMinutes: Math.min(HANDLE_MINUTES[job.technique] ?? 0, job.dryMinutes),
    minutes: ordinary,
    effort: 1,
    like: null,
    factors: factorsFromEarlier({
      leaders: Math.max(0, ...longer),
      leaderFactor: longer.length > 0 && ordinary > 0 ? Math.max(...job.minutes) / ordinary : 1,
    }),
  };
}
